<?php

declare(strict_types=1);

namespace App\Access;

use App\Activity\ActivityLog;
use App\House\House;
use App\Models\Ability;
use App\Models\Technician;
use App\Time\Clock;
use Illuminate\Contracts\Mail\Mailer;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Mail\Message;
use Illuminate\Support\Str;

/** A grant that somebody takes themselves where a customer is in trouble and no lead can be reached. */
final readonly class BreakGlass
{
    public const HOURS = 2;

    public function __construct(
        private Scope $scope,
        private Leads $leads,
        private House $house,
        private ActivityLog $log,
        private Mailer $mailer,
        private Clock $clock,
        private ConnectionInterface $db,
    ) {
    }

    /**
     * @param  string  $customer  the whole name, or the key: nobody finds out by this which customers there are
     * @return array{key: string, name: string, until: \DateTimeImmutable}
     *
     * @throws CustomerNotFound
     * @throws AccessDenied
     */
    public function take(Technician $technician, string $customer, Ability $ability, string $reason): array
    {
        $this->leads->requireFactor($technician, $ability->value);
        $until = $this->clock->now()->modify('+' . self::HOURS . ' hours');

        return $this->scope->technician(
            $technician->id,
            function () use ($technician, $customer, $ability, $reason, $until): array {
                $row = $this->db->selectOne('select roster_break_glass(?, ?, ?, ?, ?) as told', [
                    (string) Str::uuid(), trim($customer), $ability->value, $reason,
                    $until->format(\DateTimeInterface::ATOM),
                ]);
                $told = is_object($row) && is_string($row->told ?? null)
                    ? json_decode($row->told, true, flags: JSON_THROW_ON_ERROR)
                    : null;
                $said = static fn (string $field): string => is_array($told) && is_string($told[$field] ?? null)
                    ? $told[$field]
                    : throw new CustomerNotFound();
                $this->log->noteOf($said('id'), $technician->id, 'broke the glass', [
                    'ability' => $ability->value, 'reason' => $reason,
                ]);
                $this->tell($technician, $said('name'), $ability, $reason, $until);

                return ['key' => $said('key'), 'name' => $said('name'), 'until' => $until];
            },
        );
    }

    /** Leads read it at once, not by chance. */
    private function tell(
        Technician $who,
        string $customer,
        Ability $ability,
        string $reason,
        \DateTimeImmutable $until,
    ): void {
        $settings = $this->house->settings();
        $ends = $until->setTimezone(new \DateTimeZone($settings->zone))->format('j F Y, H:i');
        $text = "{$who->name} ({$who->sign_in}) took a grant to {$ability->inWords()} {$customer}, until {$ends}.\n\n"
            . "Reason: {$reason}\n\nWhat is done by it stands in the log. People ends it before its time.\n";
        foreach (Technician::query()->where('lead', true)->whereNull('closed_at')->orderBy('sign_in')->get() as $lead) {
            $this->mailer->raw($text, static function (Message $message) use ($lead, $who, $customer): void {
                $message->to($lead->sign_in)->subject("{$who->name} broke the glass for {$customer}");
            });
        }
    }
}
