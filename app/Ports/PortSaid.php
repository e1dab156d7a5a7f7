<?php

declare(strict_types=1);

namespace App\Ports;

use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Numbering\NumberList;
use Jaunty\Core\Numbering\UnusableNumber;
use Jaunty\Core\Ports\PortLack;

/** What somebody wrote of a port, read; it need not be complete before it is sent. */
final readonly class PortSaid
{
    /**
     * @param  list<string>  $numbers  in E.164
     * @param  ?string  $pin  null: as it is kept
     * @param  list<string>  $staying  as typed, until they are read
     * @param  string  $stayingMain  as typed, until it is read
     * @param  string  $day  a date
     */
    public function __construct(
        public array $numbers,
        public string $name,
        public string $street,
        public string $city,
        public string $postcode,
        public string $losingCarrier,
        public string $account,
        public string $billing,
        public string $signatory,
        public ?string $pin,
        public bool $isPart,
        public array $staying,
        public string $stayingMain,
        public string $day,
        public string $hours,
    ) {
    }

    /**
     * With what was typed read as numbers of a country.
     *
     * @param  ?string  $region  of the customer: CA-NS
     *
     * @throws PortRefused
     */
    public function readIn(?string $region): self
    {
        $country = explode('-', (string) $region)[0];
        $list = NumberList::read(implode("\n", $this->staying), $country);
        foreach ($list->lines as $line) {
            if ($line->fault !== null) {
                throw PortRefused::incomplete([new PortLack('staying', "\"{$line->typed}\": {$line->fault}")]);
            }
        }
        try {
            $main = trim($this->stayingMain) === '' ? '' : (string) E164::parse($this->stayingMain, $country);
        } catch (UnusableNumber $fault) {
            throw PortRefused::incomplete([new PortLack('stayingMain', $fault->getMessage())]);
        }

        return new self(
            $this->numbers,
            $this->name,
            $this->street,
            $this->city,
            $this->postcode,
            $this->losingCarrier,
            $this->account,
            $this->billing,
            $this->signatory,
            $this->pin,
            $this->isPart,
            array_map(strval(...), $list->numbers()),
            $main,
            $this->day,
            $this->hours,
        );
    }

    /**
     * @param  ?string  $pin  as it is kept
     * @return array<string, mixed> of its row
     */
    public function columns(?string $pin): array
    {
        return [
            'numbers' => $this->numbers, 'day' => $this->day,
            'pin' => match ($this->pin) {
                null => $pin,
                '' => null,
                default => $this->pin,
            },
            'said' => [
                'name' => $this->name, 'street' => $this->street, 'city' => $this->city,
                'postcode' => $this->postcode, 'losingCarrier' => $this->losingCarrier, 'account' => $this->account,
                'billing' => $this->billing, 'signatory' => $this->signatory, 'isPart' => $this->isPart,
                'staying' => $this->staying, 'stayingMain' => $this->stayingMain, 'hours' => $this->hours,
            ],
        ];
    }
}
