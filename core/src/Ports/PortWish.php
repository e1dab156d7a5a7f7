<?php

declare(strict_types=1);

namespace Jaunty\Core\Ports;

use Jaunty\Core\Numbering\E164;

/** Numbers that are to come over from another carrier, with what the losing one compares: as its bill says it. */
final readonly class PortWish
{
    /** A bill older than this is turned down (common practice). */
    public const BILL_DAYS = 30;

    /**
     * @param  list<string>  $numbers  in E.164
     * @param  string  $name  whom the bill is for
     * @param  string  $billing  the number the account is billed to, where the bill names one; empty otherwise
     * @param  string  $signatory  who may sign for the account
     * @param  bool  $hasPin  whether the port PIN of the account is known
     * @param  bool  $isPart  whether some numbers of the account stay
     * @param  list<string>  $staying  in E.164, as far as they are known
     * @param  string  $stayingMain  which of them is the account's main number then; empty where nothing stays
     * @param  string  $day  a date: wished
     * @param  string  $hours  as `09:00-12:00`, at the customer's; empty: any
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
        public bool $hasPin,
        public bool $isPart,
        public array $staying,
        public string $stayingMain,
        public string $day,
        public string $hours,
    ) {
    }

    /** Toll-free numbers go another way: whoever answers for them moves them, and asks for no premises. */
    public function isTollFree(): bool
    {
        return $this->numbers !== [] && array_filter(
            $this->numbers,
            static fn (string $number): bool => ! E164::parse($number)->isTollFree(),
        ) === [];
    }

    /**
     * What is missing before it can be sent; nothing where it is complete.
     *
     * @param  list<PortPaper>  $papers  the newest of each kind
     * @param  string  $today  a date
     * @return list<PortLack>
     */
    public function lacks(array $papers, string $today): array
    {
        return [...$this->wordsLacking(), ...$this->partLacking(), ...$this->dayLacking($today),
            ...$this->papersLacking($papers, $today)];
    }

    /** @return list<PortLack> */
    private function wordsLacking(): array
    {
        $wanted = [
            'name' => 'whom the bill is for', 'street' => 'the address on the bill', 'city' => 'the town on the bill',
            'postcode' => 'the postcode on the bill', 'losingCarrier' => 'where the numbers are now',
            'account' => 'the account on the bill', 'signatory' => 'who signs for the account',
        ];
        $lacks = [];
        foreach ($wanted as $field => $what) {
            $isPlace = in_array($field, ['street', 'city', 'postcode'], true);
            if (trim($this->{$field}) === '' && ! ($isPlace && $this->isTollFree())) {
                $lacks[] = new PortLack($field, "It does not say {$what}.");
            }
        }
        $free = array_filter(
            $this->numbers,
            static fn (string $number): bool => E164::parse($number)->isTollFree(),
        );
        if ($this->numbers === []) {
            $lacks[] = new PortLack('numbers', 'No number comes over.');
        } elseif ($free !== [] && count($free) !== count($this->numbers)) {
            $lacks[] = new PortLack(
                'numbers',
                'Toll-free numbers go another way than local ones: put them in an order of their own.',
            );
        }

        return $lacks;
    }

    /** @return list<PortLack> */
    private function partLacking(): array
    {
        if (! $this->isPart) {
            return [];
        }

        return match (true) {
            $this->stayingMain === '' => [
                new PortLack('stayingMain', 'It does not say which number is the main one of what stays there.'),
            ],
            in_array($this->stayingMain, $this->numbers, true) => [
                new PortLack('stayingMain', E164::parse($this->stayingMain)->display()
                    . ' comes over, so it cannot be the main number of what stays.'),
            ],
            array_intersect($this->staying, $this->numbers) !== [] => [
                new PortLack('staying', E164::parse(
                    array_values(array_intersect($this->staying, $this->numbers))[0],
                )->display() . ' comes over and stays at once.'),
            ],
            default => [],
        };
    }

    /** @return list<PortLack> */
    private function dayLacking(string $today): array
    {
        return match (true) {
            $this->day === '' => [new PortLack('day', 'It does not say on which day.')],
            $this->day <= $today => [new PortLack('day', 'The day is past, or today.')],
            default => [],
        };
    }

    /**
     * @param  list<PortPaper>  $papers
     * @return list<PortLack>
     */
    private function papersLacking(array $papers, string $today): array
    {
        $of = static fn (string $kind): ?PortPaper => array_values(array_filter(
            $papers,
            static fn (PortPaper $paper): bool => $paper->kind === $kind,
        ))[0] ?? null;
        $lacks = [];
        if ($of('authority') === null) {
            $lacks[] = new PortLack('authority', 'The letter of authority is not here, signed.');
        }
        if ($this->isTollFree()) {
            return $lacks;
        }
        $bill = $of('bill');
        $first = (new \DateTimeImmutable("{$today} -" . self::BILL_DAYS . ' days'))->format('Y-m-d');
        $lacks[] = match (true) {
            $bill === null => new PortLack('bill', 'The latest bill is not here.'),
            $bill->dated === null => new PortLack('bill', 'It is not said of which day the bill is.'),
            $bill->dated > $today => new PortLack('bill', 'The bill is of a day that is to come.'),
            $bill->dated < $first => new PortLack(
                'bill',
                'The bill is older than ' . self::BILL_DAYS . ' days: carriers turn that down.',
            ),
            default => null,
        };

        return array_values(array_filter($lacks));
    }
}
