<?php

declare(strict_types=1);

namespace Tests\Feature\Support;

/** A customer of one person, pushed, and hands that change it on the switch past the book. */
trait OnTheSwitch
{
    private function pushed(): string
    {
        $customer = $this->takeOn()['key'];
        $this->push($customer);
        $this->readAgain($customer);

        return $customer;
    }

    private function account(string $customer): string
    {
        foreach ($this->wire->byHand('GET', '/v1/accounts')['rows'] as $account) {
            if ($account['handle'] === $customer) {
                return "/v1/accounts/{$account['id']}";
            }
        }
        self::fail("{$customer} is not on the switch");
    }

    /**
     * @param  array<string, mixed>  $change  by hand
     * @return array<string, mixed> the customer's one person on the switch
     */
    private function person(string $customer, array $change = []): array
    {
        $account = $this->account($customer);
        $person = $this->wire->byHand('GET', "{$account}/persons")['rows'][0];

        return $change === [] ? $person : $this->wire->byHand('PATCH', "{$account}/persons/{$person['id']}", $change);
    }

    /** @return array<string, mixed> */
    private function listed(string $customer): array
    {
        $this->actingAs($this->lead);

        return $this->onRoster($customer);
    }
}
