<?php

declare(strict_types=1);

namespace App\Demo;

use App\Access\Granted;
use App\Access\Scope;
use App\Access\Staff;
use App\Audit\AuditReason;
use App\Book\BookRepository;
use App\Book\DraftDesk;
use App\Book\FieldEdit;
use App\CallRecords\CallReader;
use App\Drift\LiveReader;
use App\Drift\Signatures;
use App\Fleet\AuditRuns;
use App\House\House;
use App\House\Settings;
use App\Models\Ability;
use App\Models\Grant;
use App\Models\Invitation;
use App\Models\Origin;
use App\Models\Push;
use App\Models\Technician;
use App\Models\TenantRow;
use App\Places\SiteDesk;
use App\Places\TestGiven;
use App\Prompts\Recordings;
use App\Prompts\SpeechStudio;
use App\Push\PushDesk;
use App\Push\PushRunner;
use App\Roster\SummaryKeeper;
use App\Secrets\SecretKeeper;
use App\Switching\Bindings;
use App\Switching\BindingStore;
use App\Switching\Bound;
use App\Switching\SwitchConnector;
use App\Switching\Switches;
use App\Switching\SwitchTrouble;
use App\TakingOn\TakingOn;
use App\TakingOn\Templates;
use App\Time\Clock;
use App\Time\FixedClock;
use Illuminate\Support\Str;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Mailbox;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Outbound\HelpCall;

/**
 * Saltmarsh Voice of Port Merrow: invented people, customers and numbers, made by the same code the screens use.
 * Loading is safe to repeat: each part is made only where it is missing, so a start that was cut off is completed by
 * the next.
 */
final readonly class Demo
{
    /** Of whom the demo is tried with, and of her colleagues. */
    public const LEAD = 'lena@saltmarsh.example';

    public const PASSWORD = 'tide-table-2026';

    private const TECHNICIANS = [
        ['sign_in' => self::LEAD, 'name' => 'Lena Kestrel', 'initials' => 'LK', 'lead' => true],
        ['sign_in' => 'sol@saltmarsh.example', 'name' => 'Sol Ormerod', 'initials' => 'SO', 'lead' => false],
        ['sign_in' => 'ada@saltmarsh.example', 'name' => 'Ada Wren', 'initials' => 'AW', 'lead' => false],
    ];

    private const STOCK = [
        '1902555' => 80, '1782555' => 6, '1506555' => 14, '1416555' => 14, '1207555' => 14, '1617555' => 16,
        '442079460' => 12, '441314960' => 4,
    ];

    /** The first customer was taken on so many days ago, and each of the others two days after the one before. */
    private const FIRST_DAYS_AGO = 44;

    private const DAYS_BETWEEN = 2;

    /** Small things that were changed since, by turns of two colleagues: which person's, what, and why. */
    private const SINCE = [
        'ardent-road-veterinary' => [1, 4], 'bellwether-credit-union' => [2, 9, 31], 'gannet-physiotherapy' => [5],
        'harrowgate-timber' => [3, 7], 'juniper-lane-surgery' => [2], 'lantern-street-law' => [6],
        'northquay-seed-feed' => [4], 'quill-tern-insurance' => [8], 'redshank-couriers' => [5, 11],
    ];

    /** Pending edits: whose, for how many days, and what. */
    private const LYING = [
        'osier-basketworks' => ['sol@saltmarsh.example', 1, [['group:reception', 'noAnswerSeconds', 35]]],
        'kittiwake-brewing' => ['lena@saltmarsh.example', 2, [
            ['prompt:welcome', 'script', 'Kittiwake Brewing. The taproom opens at noon on Saturdays now.'],
        ]],
    ];

    private const HELPER = 'maud@saltmarsh.example';

    private const HELPED = 'merrow-harbour-office';

    private const MOST_TRIES = 8;

    public function __construct(
        private Templates $templates,
        private DemoNumbers $numbers,
        private DemoPlaces $places,
        private TakingOn $takingOn,
        private Scope $scope,
        private DraftDesk $drafts,
        private PushDesk $pushes,
        private PushRunner $runner,
        private LiveReader $live,
        private BookRepository $books,
        private BindingStore $bindings,
        private Switches $switches,
        private Signatures $signatures,
        private SummaryKeeper $summaries,
        private AuditRuns $runs,
        private Staff $staff,
        private SiteDesk $sites,
        private DemoTraffic $traffic,
        private CallReader $calls,
        private SecretKeeper $secrets,
        private Recordings $recordings,
        private SpeechStudio $studio,
        private Clock $clock,
        private House $house,
    ) {
    }

    /** @return \Generator<string> what was done, a line each: people, templates and stock, which all customers need */
    public function begin(): \Generator
    {
        $this->templates->ship(base_path('templates'));
        $people = $this->people();
        $lead = $people[0];
        $this->settle($lead);
        $this->grant($lead, $lead, null, Ability::Push);
        $this->grant($lead, $people[2], null, Ability::Read);
        foreach (self::STOCK as $prefix => $count) {
            if ($this->numbers->order($lead, (string) $prefix, $count)) {
                yield "Ordered {$count} numbers that begin with {$prefix}";
            }
        }
    }

    /**
     * Every so many-th of the customers; the others are for others, at the same time.
     *
     * @return \Generator<string>
     */
    public function customers(int $first = 0, int $every = 1): \Generator
    {
        $people = $this->people();
        $lead = $people[0];
        foreach (Customers::all() as $index => $customer) {
            if ($index % $every !== $first) {
                continue;
            }
            $days = self::FIRST_DAYS_AGO - self::DAYS_BETWEEN * $index;
            $who = array_column($people, null, 'sign_in')[$customer->lookedAfterBy] ?? $lead;
            if ($this->find($lead, $customer->key()) === null) {
                yield "Loading {$customer->name()} (customer " . $index + 1 . ' of '
                    . count(Customers::all()) . ') ...';
                $this->ago($days, fn () => $this->takingOn->takeOn(
                    $lead->id,
                    $customer->template,
                    $customer->answers,
                ));
                $this->assign($lead, $who, $customer);
                $this->ago($days - 1, fn () => $this->enter($who, $customer));
                $this->changeSince($lead, $who, $customer, $days - 1);
            }
            $this->assign($lead, $who, $customer);
            // Whatever was entered last has been on the switch since the day after.
            $pushed = max(1, $days - 2 - self::DAYS_BETWEEN * count(self::SINCE[$customer->key()] ?? []));
            if ($customer->isPushed && $this->ago($pushed, fn (): bool => $this->push($who, $customer->key()))) {
                $this->ago($pushed, fn () => $this->proveSites($who, $customer));
                $this->ago($pushed, fn () => $this->places->settle($who, $customer));
                $this->ago($pushed, fn () => $this->places->ask($who, $customer));
                $this->ago($pushed, fn () => $this->sign($who, $customer));
                $this->changeByHand($lead, $customer);
                $this->callIt($lead, $customer);
            }
        }
    }

    /** What is there once all of them are. */
    public function finish(): void
    {
        $people = $this->people();
        $lead = $people[0];
        $this->leaveLying($people);
        $this->invite($lead);
        $porting = $this->find($lead, Customers::porting()->key());
        if ($porting !== null) {
            $this->numbers->port($lead, $porting, Customers::porting());
        }
        $this->numbers->orderAndReserve($lead);
        $this->numbers->letGo($lead);
        // The workers do it as soon as they are there; what it finds of earlier revisions and of the switch is on the
        // Findings page then.
        $this->scope->technician($lead->id, function () use ($lead): void {
            if ($this->runs->latest($lead->id) === null) {
                $this->runs->begin($lead->id, AuditReason::Nightly);
            }
        });
    }

    /** What a lead settles on a house's first day. */
    private function settle(Technician $lead): void
    {
        $this->scope->technician($lead->id, function () use ($lead): void {
            if (! $this->house->hasBegun()) {
                $this->house->write($lead->id, Settings::of([
                    'reseller' => 'Saltmarsh Voice', 'region' => 'CA-NS', 'zone' => 'America/Halifax',
                    'nightlyAs' => $lead->id, 'mailFrom' => 'desk@saltmarsh.example',
                    'letterhead' => "3 Ropewalk Lane, Port Merrow\n902 555 0100",
                ])->toArray(), [], $this->clock->now());
            }
        });
    }

    /** @return non-empty-list<Technician> */
    private function people(): array
    {
        return array_map($this->technician(...), self::TECHNICIANS);
    }

    /**
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    private function ago(int $days, callable $work): mixed
    {
        return $this->clock instanceof FixedClock ? $this->clock->ago($days, $work) : $work();
    }

    /** People get other mail addresses, and say so: a revision each, two days apart, by whoever was asked. */
    private function changeSince(Technician $lead, Technician $who, DemoCustomer $customer, int $days): void
    {
        foreach (self::SINCE[$customer->key()] ?? [] as $turn => $place) {
            $by = $turn % 2 === 0 ? $lead : $who;
            $person = $customer->people()[$place];
            $this->ago($days - 1 - self::DAYS_BETWEEN * $turn, fn () => $this->scope->tenant(
                $by->id,
                $customer->key(),
                Ability::Edit,
                function (TenantRow $tenant) use ($by, $person): void {
                    $mail = str_replace('-', '.', $person['mail']);
                    $this->drafts->edit(
                        $tenant,
                        $by->id,
                        [FieldEdit::of('set', "user:{$person['key']}", 'email', $mail)],
                    );
                    $this->drafts->enter($tenant, $by->id, "{$person['name']} has another mail address");
                },
            ));
        }
    }

    /** What was changed since, entered as any technician's edit. */
    private function enter(Technician $lead, DemoCustomer $customer): void
    {
        $stage = [
            'object' => "tenant:{$customer->key()}",
            'path' => 'state',
            'value' => $customer->isPushed ? 'in-service' : 'building',
        ];
        $edits = array_map(
            static fn (array $edit): FieldEdit => FieldEdit::of(
                $edit['op'] ?? 'set',
                $edit['object'],
                $edit['path'] ?? null,
                $edit['value'] ?? null,
            ),
            [$stage, ...OwnWords::of($customer->key()), ...$customer->edits],
        );
        $this->scope->tenant($lead->id, $customer
            ->key(), Ability::Edit, function (TenantRow $tenant) use ($lead, $edits, $customer): void {
                $this->drafts->edit($tenant, $lead->id, $edits);
                $this->secrets->makeAll(
                    $tenant,
                    $lead->id,
                    $customer->isPushed ? self::mailboxes($this->drafts->view($tenant, $lead->id)->edited) : [],
                );
            });
        $this->record($lead, $customer);
        $this->scope->tenant($lead->id, $customer
            ->key(), Ability::Edit, function (TenantRow $tenant) use ($lead, $customer): void {
                $this->drafts->enter($tenant, $lead->id, $customer->note === '' ? null : $customer->note);
            });
    }

    /** Whoever is in service had each address checked, and a test call for help made from each site. */
    private function proveSites(Technician $who, DemoCustomer $customer): void
    {
        foreach ($this->sites->all($who->id, $customer->key()) as $place) {
            $this->sites->check($who->id, $customer->key(), $place->site->key);
            $calls = array_merge(...array_column($place->people, 1));
            $shown = array_filter($calls, static fn (HelpCall $each): bool => $each->shown !== '');
            $call = array_values($shown)[0] ?? null;
            if ($call !== null) {
                $zone = new \DateTimeZone($place->site->zone ?? $this->zoneOf($who, $customer));
                $this->sites->tested($who->id, $customer->key(), $place->site->key, new TestGiven(
                    $this->clock->now()->setTimezone($zone)->format('Y-m-d\\TH:i'),
                    (string) Reference::of($call->user),
                    $call->shown,
                    implode(', ', $place->now->address),
                    true,
                    '',
                ));
            }
        }
    }

    private function zoneOf(Technician $who, DemoCustomer $customer): string
    {
        return $this->scope->tenant(
            $who->id,
            $customer->key(),
            Ability::Read,
            static fn (TenantRow $tenant): string => $tenant->zone,
        );
    }

    /** Whoever is in service has what callers hear spoken; the studio stands in for the customer's own voice. */
    private function record(Technician $lead, DemoCustomer $customer): void
    {
        $prompts = $this->scope->tenant(
            $lead->id,
            $customer->key(),
            Ability::Read,
            fn (TenantRow $tenant): array => $this->drafts->view($tenant, $lead->id)->edited->all(Prompt::class),
        );
        foreach ($customer->isPushed ? $prompts : [] as $prompt) {
            if (trim((string) $prompt->script) !== '') {
                $spoken = $this->studio->speak((string) $prompt->script, $prompt->language);
                $sound = $this->recordings->prepare($spoken, $this->switches->standard()->plays());
                $this->scope->tenant(
                    $lead->id,
                    $customer->key(),
                    Ability::Edit,
                    fn (TenantRow $tenant) => $this->recordings->keep(
                        $tenant,
                        $lead->id,
                        $prompt,
                        $sound,
                        Origin::Upload,
                    ),
                );
            }
        }
    }

    /** @return array<string, null> every mailbox, of which a PIN is to be made */
    private static function mailboxes(Book $book): array
    {
        return array_fill_keys(
            array_map(
                static fn (Mailbox $mailbox): string => (string) Reference::of($mailbox),
                $book->all(Mailbox::class),
            ),
            null,
        );
    }

    /** Somebody looks after it, and may do so. */
    private function assign(Technician $lead, Technician $who, DemoCustomer $customer): void
    {
        $row = $who === $lead ? null : $this->find($lead, $customer->key());
        if ($row !== null) {
            $this->grant($lead, $who, $row->id, Ability::Push);
        }
        $this->scope->tenant($lead->id, $customer
            ->key(), Ability::Edit, static function (TenantRow $tenant) use ($who): void {
                $tenant->forceFill(['looked_after_by' => $who->id])->save();
            });
    }

    /** Somebody at the customer's changes things on the switch, with its own password. */
    private function callIt(Technician $lead, DemoCustomer $customer): void
    {
        if ($customer->isCalled) {
            [$book, $known] = $this->onTheSwitch($lead, $customer);
            $this->traffic->play($book, $known);
            $this->untilTaken(fn () => $this->calls->read($lead->id, $customer->key()));
        }
    }

    /** @return array{Book, Bindings, SwitchConnector} */
    private function onTheSwitch(Technician $lead, DemoCustomer $customer): array
    {
        return $this->scope->tenant($lead->id, $customer->key(), Ability::Read, function (TenantRow $tenant): array {
            $book = $this->books->head($tenant->id);

            $switch = $this->switches->of($tenant);

            return [$book, $this->bindings->load($tenant->id, $switch->name(), [$book]), $switch];
        });
    }

    private function changeByHand(Technician $lead, DemoCustomer $customer): void
    {
        if ($customer->byHand === []) {
            return;
        }
        [$book, $known, $switch] = $this->onTheSwitch($lead, $customer);
        $live = $book;
        foreach ($customer->byHand as $place => $edit) {
            $op = $edit['op'] ?? 'set';
            $path = $edit['path'] ?? '';
            $object = Reference::parse($edit['object']);
            $changed = FieldEdit::of($op, $edit['object'], $path === '' ? null : $path, $edit['value'] ?? null)
                ->applyTo($live);
            $now = $changed->find($object)?->toArray() ?? [];
            $was = $live->find($object)?->toArray() ?? [];
            $field = explode('/', $path)[0];
            $session = $switch->open($book, $known, "admin@{$customer->key()}");
            $key = "{$customer->key()}-by-hand-{$place}";
            $work = static function () use ($op, $session, $object, $now, $was, $field, $key): ?Bound {
                if ($op === 'delete') {
                    $session->delete($object, $key);

                    return null;
                }

                return $op === 'create'
                    ? $session->create($object, $now, $key)
                    : $session->update($object, [$field => $now[$field]], [$field => $was[$field]], $key);
            };
            $bound = $this->untilTaken($work);
            [$known, $live] = [$bound === null ? $known : $known->with($object, $bound), $changed];
        }
        $this->untilTaken(fn () => $this->live->read($lead->id, $customer->key()));
    }

    /**
     * The switch may ask to wait; a hand waits.
     *
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    private function untilTaken(callable $work): mixed
    {
        for ($try = 1; ; $try++) {
            try {
                return $work();
            } catch (SwitchTrouble $trouble) {
                if (! $trouble->temporary || $try === self::MOST_TRIES) {
                    throw $trouble;
                }
                sleep(1);
            }
        }
    }

    /** @param array{sign_in: string, name: string, initials: string, lead: bool} $who */
    private function technician(array $who): Technician
    {
        return Technician::query()->firstOrCreate(
            ['sign_in' => $who['sign_in']],
            $who + ['id' => (string) Str::uuid(), 'password' => self::PASSWORD],
        );
    }

    private function grant(Technician $by, Technician $to, ?string $tenantId, Ability $ability): void
    {
        $this->scope->technician($by->id, static function () use ($by, $to, $tenantId, $ability): void {
            if (! Grant::query()->where('technician_id', $to->id)->where('tenant_id', $tenantId)->exists()) {
                Grant::query()->insert([
                    'id' => (string) Str::uuid(), 'technician_id' => $to->id, 'tenant_id' => $tenantId,
                    'ability' => $ability->value,
                    'purpose' => 'demo', 'given_by' => $by->id,
                ]);
            }
        });
    }

    /** Help for regatta week, who has not come yet. */
    private function invite(Technician $lead): void
    {
        $customer = $this->find($lead, self::HELPED);
        $isAsked = $this->scope->technician(
            $lead->id,
            static fn (): bool => Invitation::query()->where('sign_in', self::HELPER)->exists(),
        );
        if ($customer !== null && ! $isAsked) {
            $this->staff->let(
                $lead,
                self::HELPER,
                new Granted($customer, Ability::Edit, 'regatta week', new \DateTimeImmutable('2026-12-31T23:59:59Z')),
            );
        }
    }

    /**
     * Two colleagues were called away in the middle of something.
     *
     * @param  list<Technician>  $people
     */
    private function leaveLying(array $people): void
    {
        foreach (self::LYING as $customer => [$by, $days, $edits]) {
            $who = array_column($people, null, 'sign_in')[$by];
            $this->ago($days, fn () => $this->scope->tenant(
                $who->id,
                $customer,
                Ability::Edit,
                function (TenantRow $tenant) use ($who, $edits): void {
                    if ($this->drafts->view($tenant, $who->id)->changes->operations === []) {
                        $this->drafts->edit($tenant, $who->id, array_map(
                            static fn (array $edit): FieldEdit => FieldEdit::of('set', ...$edit),
                            $edits,
                        ));
                    }
                },
            ));
        }
    }

    private function find(Technician $lead, string $key): ?TenantRow
    {
        return $this->scope->technician(
            $lead->id,
            static fn (): ?TenantRow => TenantRow::query()->where('key', $key)->first(),
        );
    }

    /** Whoever is in service has put their name to the handover. */
    private function sign(Technician $lead, DemoCustomer $customer): void
    {
        $by = $customer->people()[0]['name'];
        $this->scope->tenant($lead->id, $customer->key(), Ability::Edit, function (TenantRow $tenant) use (
            $lead,
            $by,
        ): void {
            $this->signatures->sign($tenant, $lead->id, $tenant->head_revision, $by, $this->clock->dateIn('UTC'));
            $this->summaries->findingsSifted($tenant->id, $this->books->head($tenant->id));
        });
    }

    /** The first push of a customer, worked through here instead of by the worker. */
    private function push(Technician $lead, string $key): bool
    {
        $push = $this->scope->tenant($lead->id, $key, Ability::Push, function (TenantRow $tenant) use ($lead): ?Push {
            return Push::query()->where('tenant_id', $tenant->id)->exists()
                ? null
                : $this->pushes->ask($tenant, $lead->id, null);
        });
        if ($push === null) {
            return false;
        }
        for (
            $slice = 0;
            $slice < 100 && ($wait = $this->runner->carryOn($push->tenant_id, $lead->id, $push->id)) !== null;
            $slice++
        ) {
            sleep($wait);
        }

        return true;
    }
}
