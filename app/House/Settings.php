<?php

declare(strict_types=1);

namespace App\House;

/** What the reseller settled for the whole house. Values as they were checked when they were entered. */
final readonly class Settings
{
    public const COLOUR = '#2f5d62';

    public const NIGHTLY_AT = '03:10';

    public const LETTERS_AT = '06:30';

    /** Days that a number rests as it comes (design 14), and the most that may be settled. */
    public const REST_DAYS = 90;

    public const MOST_REST_DAYS = 730;

    /** Numbers move on by their dates, before everything is audited. */
    public const NUMBERS_AT = '00:20';

    /** What is kept no longer goes when nobody waits for the database. */
    public const TIDIED_AT = '04:40';

    /** Abilities for which a second factor may be required; `lead` is what leads do. */
    public const ABILITIES = ['read', 'edit', 'push', 'bill', 'lead'];

    /**
     * @param  string  $region  whose national numbers and holidays are meant: CA-NS
     * @param  string  $zone  in which nightly times are said
     * @param  string  $colour  of the head of papers: #rrggbb, dark enough for white beside it
     * @param  string  $letterhead  lines that stand at the head of papers below the name; may be empty
     * @param  non-empty-list<string>  $languages  that papers may be read in
     * @param  string  $nightlyAt  hh:mm
     * @param  ?string  $nightlyAs  the technician in whose name everything is audited by night; null for no such run
     * @param  string  $lettersAt  hh:mm
     * @param  ?string  $mailFrom  null: as the settings file has it
     * @param  list<string>  $secondFactorFor  of ABILITIES
     * @param  list<Connection>  $switches  besides those of the settings file
     * @param  array{local: int, tollFree: int, mobile: int}  $restDays  that a number rests once its customer let it go
     * @param  ?int  $orderLimitCents  once and a month together; of more than that leads confirm an order. Null: none
     */
    private function __construct(
        public string $reseller,
        public string $region,
        public string $zone,
        public string $colour,
        public string $letterhead,
        public array $languages,
        public string $nightlyAt,
        public ?string $nightlyAs,
        public string $lettersAt,
        public ?string $mailFrom,
        public array $secondFactorFor,
        public PushGate $pushWithBlockers,
        public Retention $retention,
        public array $switches,
        public ?Connection $carrier,
        public ?Connection $studio,
        public array $restDays,
        public ?int $orderLimitCents,
    ) {
    }

    /** @param array<mixed> $kept as toArray() gives it; what is missing is as it comes */
    public static function of(array $kept): self
    {
        $text = static fn (string $name): ?string => is_string($kept[$name] ?? null) ? $kept[$name] : null;
        $list = static fn (string $name): array => is_array($kept[$name] ?? null) ? array_values($kept[$name]) : [];
        $languages = array_values(array_filter($list('languages'), is_string(...)));
        $abilities = array_values(array_filter(
            $list('secondFactorFor'),
            static fn (mixed $each): bool => in_array($each, self::ABILITIES, true),
        ));

        return new self(
            $text('reseller') ?? '',
            $text('region') ?? '',
            $text('zone') ?? 'UTC',
            $text('colour') ?? self::COLOUR,
            $text('letterhead') ?? '',
            $languages === [] ? ['en', 'fr-CA'] : $languages,
            $text('nightlyAt') ?? self::NIGHTLY_AT,
            $text('nightlyAs'),
            $text('lettersAt') ?? self::LETTERS_AT,
            $text('mailFrom'),
            $abilities,
            PushGate::tryFrom($text('pushWithBlockers') ?? '') ?? PushGate::Open,
            Retention::of(is_array($kept['retention'] ?? null) ? $kept['retention'] : []),
            array_values(array_filter(array_map(Connection::read(...), $list('switches')))),
            Connection::read($kept['carrier'] ?? null),
            Connection::read($kept['studio'] ?? null),
            self::restDays($kept['restDays'] ?? null),
            is_int($kept['orderLimitCents'] ?? null) ? $kept['orderLimitCents'] : null,
        );
    }

    /** @return array{local: int, tollFree: int, mobile: int} */
    private static function restDays(mixed $kept): array
    {
        $of = static fn (string $kind): int => is_array($kept) && is_int($kept[$kind] ?? null)
            ? $kept[$kind]
            : self::REST_DAYS;

        return ['local' => $of('local'), 'tollFree' => $of('tollFree'), 'mobile' => $of('mobile')];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'switches' => array_map(static fn (Connection $each): array => $each->toArray(), $this->switches),
            'carrier' => $this->carrier?->toArray(), 'studio' => $this->studio?->toArray(),
            'retention' => $this->retention->toArray(), 'pushWithBlockers' => $this->pushWithBlockers->value,
        ] + get_object_vars($this);
    }
}
