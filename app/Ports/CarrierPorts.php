<?php

declare(strict_types=1);

namespace App\Ports;

use App\Models\PortState;
use App\Stock\CarrierTrouble;
use App\Stock\CarrierWire;
use Jaunty\Core\Ports\PortWish;

/** Has the carrier bring numbers over, and answers it about those that others ask for. */
final readonly class CarrierPorts
{
    private const FIELDS = [
        'subscriber' => 'name', 'premises' => 'street', 'town' => 'city', 'postal' => 'postcode',
        'losing' => 'losingCarrier', 'account' => 'account', 'pin' => 'pin', 'billing' => 'billing',
        'signatory' => 'signatory', 'staying_main' => 'stayingMain', 'staying' => 'staying', 'day' => 'day',
        'hours' => 'hours', 'msisdns' => 'numbers', 'authority' => 'authority', 'bill' => 'bill',
    ];

    private const STAGES = [
        'open' => PortState::Open, 'sent' => PortState::Sent, 'turned_down' => PortState::Rejected,
        'dated' => PortState::Dated, 'moving' => PortState::Moving, 'done' => PortState::Done,
        'failed_back' => PortState::FailedBack, 'withdrawn' => PortState::Withdrawn,
    ];

    private const STAGES_OUT = [
        'asked' => PortState::Asked, 'agreed' => PortState::Agreed, 'refused' => PortState::Refused,
        'gone' => PortState::Gone,
    ];

    public function __construct(private CarrierWire $wire)
    {
    }

    /**
     * @param  string  $customer  a key
     * @return list<PortThere> in the order they were placed
     *
     * @throws CarrierTrouble
     */
    public function of(string $customer): array
    {
        $rows = $this->wire->get('/transfers', ['end_user' => $customer])['transfers'] ?? null;

        return array_map(
            self::there(...),
            array_values(is_array($rows) ? $rows : throw new CarrierTrouble('it gave no list of ports')),
        );
    }

    /**
     * @param  string  $reference  ours; the same one twice is one port
     *
     * @throws CarrierTrouble
     */
    public function open(string $reference, string $customer, PortWish $wish, ?string $pin): PortThere
    {
        return self::there($this->wire->post(
            '/transfers',
            ['reference' => $reference, 'end_user' => $customer] + self::asked($wish, $pin),
        ));
    }

    /** @throws CarrierTrouble */
    public function mend(string $id, PortWish $wish, ?string $pin): PortThere
    {
        return self::there($this->wire->patch("/transfers/{$id}", self::asked($wish, $pin)));
    }

    /** @throws CarrierTrouble */
    public function putPaper(string $id, PaperFile $paper): void
    {
        $this->wire->put("/transfers/{$id}/papers/{$paper->paper}", array_filter([
            'name' => $paper->name, 'type' => $paper->kind->value, 'bytes' => base64_encode($paper->bytes),
            'dated' => $paper->dated,
        ], static fn (?string $each): bool => $each !== null));
    }

    /** @throws CarrierTrouble */
    public function send(string $id): PortThere
    {
        return self::there($this->wire->post("/transfers/{$id}/submission"));
    }

    /** @throws CarrierTrouble */
    public function withdraw(string $id): PortThere
    {
        return self::there($this->wire->post("/transfers/{$id}/withdrawal"));
    }

    /**
     * @param  string  $until  a date
     *
     * @throws CarrierTrouble
     */
    public function lend(string $id, string $until): PortThere
    {
        return self::there($this->wire->post("/transfers/{$id}/loan", ['until' => $until]));
    }

    /**
     * @return list<DepartureThere> of every customer of the reseller's
     *
     * @throws CarrierTrouble
     */
    public function departures(): array
    {
        $rows = $this->wire->get('/departures')['departures'] ?? null;

        return array_map(
            self::departure(...),
            array_values(is_array($rows) ? $rows : throw new CarrierTrouble('it gave no list of those who leave')),
        );
    }

    /**
     * @param  string  $reason  one of the carrier's, where it is refused
     *
     * @throws CarrierTrouble
     */
    public function answer(string $id, bool $isAgreed, string $reason): DepartureThere
    {
        return self::departure($this->wire->post("/departures/{$id}/answer", [
            'agreed' => $isAgreed, 'reason' => $reason,
        ]));
    }

    /** @return ?string the field of the wish that a field of the carrier's is */
    public static function field(?string $theirs): ?string
    {
        return self::FIELDS[(string) $theirs] ?? null;
    }

    /** @return array<string, mixed> */
    private static function asked(PortWish $wish, ?string $pin): array
    {
        $bare = static fn (array $numbers): array => array_map(
            static fn (string $number): string => ltrim($number, '+'),
            array_values(array_filter($numbers, is_string(...))),
        );

        return [
            'msisdns' => $bare($wish->numbers), 'subscriber' => $wish->name, 'premises' => $wish->street,
            'town' => $wish->city, 'postal' => $wish->postcode, 'losing' => $wish->losingCarrier,
            'account' => $wish->account, 'pin' => $pin ?? '', 'billing' => $wish->billing,
            'signatory' => $wish->signatory, 'staying' => $wish->isPart ? $bare($wish->staying) : [],
            'staying_main' => $wish->isPart ? ltrim($wish->stayingMain, '+') : '', 'day' => $wish->day,
            'hours' => $wish->hours,
        ];
    }

    private static function there(mixed $row): PortThere
    {
        $row = is_array($row) ? $row : [];
        $lent = is_array($row['lent'] ?? null) ? $row['lent'] : [];
        $steps = [];
        foreach (is_array($row['steps'] ?? null) ? $row['steps'] : [] as $step) {
            if (is_array($step)) {
                $steps[] = [
                    'state' => self::stage(self::STAGES, $step), 'remark' => self::text($step, 'remark'),
                ];
            }
        }
        $firm = $row['firm_day'] ?? null;

        return new PortThere(
            self::text($row, 'id'),
            self::text($row, 'reference'),
            self::numbers($row),
            self::stage(self::STAGES, $row),
            self::text($row, 'remark'),
            self::field(self::text($row, 'remark_at')),
            is_string($firm) ? $firm : null,
            is_string($lent['msisdn'] ?? null) && is_string($lent['until'] ?? null)
                ? ['number' => "+{$lent['msisdn']}", 'until' => $lent['until']]
                : null,
            $steps,
        );
    }

    private static function departure(mixed $row): DepartureThere
    {
        $row = is_array($row) ? $row : [];

        return new DepartureThere(
            self::text($row, 'id'),
            self::numbers($row),
            self::stage(self::STAGES_OUT, $row),
            self::text($row, 'gaining'),
            self::text($row, 'subscriber'),
            self::text($row, 'day'),
            self::text($row, 'answer_by'),
            self::text($row, 'remark'),
        );
    }

    /**
     * @param  array<string, PortState>  $stages
     * @param  array<mixed>  $row
     */
    private static function stage(array $stages, array $row): PortState
    {
        $stage = self::text($row, 'stage');

        return $stages[$stage] ?? throw new CarrierTrouble("a port is {$stage}, which nobody here knows");
    }

    /** @param array<mixed> $row */
    private static function text(array $row, string $field): string
    {
        return is_string($row[$field] ?? null)
            ? $row[$field]
            : throw new CarrierTrouble("a port has no {$field}");
    }

    /**
     * @param  array<mixed>  $row
     * @return list<string>
     */
    private static function numbers(array $row): array
    {
        return array_map(
            static fn (string $msisdn): string => "+{$msisdn}",
            array_values(array_filter(is_array($row['msisdns'] ?? null) ? $row['msisdns'] : [], is_string(...))),
        );
    }
}
