<?php

declare(strict_types=1);

namespace App\Secrets;

use App\Activity\ActivityLog;
use App\Book\DraftDesk;
use App\Book\FieldEdit;
use App\Models\Secret;
use App\Models\TenantRow;
use App\Support\Parts;
use App\Time\Clock;
use Illuminate\Encryption\Encrypter;
use Illuminate\Support\Str;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Device;
use Jaunty\Core\Book\Fields\Catalogue;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\PinStrength;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Change\OperationKind;

/**
 * PINs of mailboxes, conference rooms and routes: made here, sealed with a key of their own, shown once, sent to the
 * switch with the next push. The book says of one only how strong it is. Inside the customer's scope.
 */
final readonly class SecretKeeper
{
    private const FIELD = 'pin';

    private const DIGITS = 6;

    /** What a telephone comes to the switch with: in no book, and shown to nobody. */
    public const REGISTRATION = 'registration';

    private const REGISTRATION_LETTERS = 24;

    private Encrypter $seal;

    public function __construct(
        private DraftDesk $drafts,
        private ActivityLog $log,
        private Clock $clock,
        string $applicationKey,
    ) {
        $this->seal = new Encrypter(hash_hkdf('sha256', $applicationKey, 32, 'roster secrets'), 'AES-256-GCM');
    }

    /**
     * Makes a new PIN, or takes the one given. That it is set goes into the technician's draft.
     *
     * @throws UnusableBook when the object has no PIN, or the given one is none
     */
    public function make(TenantRow $tenant, string $technicianId, string $object, ?string $given): Secret
    {
        $this->makeAll($tenant, $technicianId, [$object => $given]);

        return $this->of(
            $tenant,
            (string) $this->holder($this->drafts->view($tenant, $technicianId)->edited, $object)->id(),
        )
            ?? throw new \LogicException('a secret just made is not there');
    }

    /**
     * The same for several objects at once; what cannot be made of one is made of none.
     *
     * @param  array<string, ?string>  $given  a PIN, or null to have one made, by object
     *
     * @throws UnusableBook
     */
    public function makeAll(TenantRow $tenant, string $technicianId, array $given): void
    {
        $book = $this->drafts->view($tenant, $technicianId)->edited;
        $now = $this->clock->now();
        [$rows, $edits] = [[], []];
        foreach ($given as $object => $typed) {
            $holder = $this->holder($book, $object);
            $pin = $typed ?? self::random($holder->extension());
            if (preg_match('/^\d{4,12}$/D', $pin) !== 1) {
                throw UnusableBook::malformed(
                    'pin',
                    'a PIN of four to twelve digits',
                    str_repeat('•', min(12, mb_strlen($pin))),
                );
            }
            $strength = PinStrength::of($pin, $holder->extension());
            $rows[] = [
                'tenant_id' => $tenant->id, 'object_id' => $holder->id(), 'field' => self::FIELD,
                'ciphertext' => $this->seal->encryptString($pin), 'strength' => $strength->value,
                'technician_id' => $technicianId, 'changed_on' => $now, 'revealed_at' => null, 'sent_at' => null,
            ];
            // A route's PIN is set or there is none; all others tell weak ones apart.
            $said = $holder->kind() === Kind::Route ? PinStrength::Set : $strength;
            if ($holder->toArray()[self::FIELD] !== $said->value) {
                $edits[] = FieldEdit::of('set', $object, self::FIELD, $said->value);
            }
        }
        if ($rows === []) {
            return;
        }
        foreach (Parts::of($rows) as $some) {
            Secret::query()->upsert($some, ['tenant_id', 'object_id', 'field'], [
                'ciphertext', 'strength', 'technician_id', 'changed_on', 'revealed_at', 'sent_at',
            ]);
        }
        if ($edits !== []) {
            $this->drafts->edit($tenant, $technicianId, $edits);
        }
        $this->log->noteOf($tenant->id, $technicianId, 'PIN made', ['objects' => array_keys($given)]);
    }

    /**
     * That a PIN is set is said only by whoever made one.
     *
     * @param  list<FieldEdit>  $edits
     *
     * @throws UnusableBook
     */
    public function check(TenantRow $tenant, string $technicianId, array $edits): void
    {
        $says = array_filter(
            $edits,
            static fn (FieldEdit $edit): bool => in_array($edit->object->kind, self::kinds(), true)
                && ! in_array(self::saidBy($edit), [null, 'none'], true),
        );
        if ($says === []) {
            return;
        }
        $book = $this->drafts->view($tenant, $technicianId)->edited;
        $made = array_flip(array_filter(
            Secret::query()->where('tenant_id', $tenant->id)->where('field', self::FIELD)->pluck('object_id')->all(),
            is_string(...),
        ));
        foreach ($says as $edit) {
            $holder = $book->find($edit->object);
            if ($holder === null ? $edit->kind === OperationKind::Create : ! isset($made[(string) $holder->id()])) {
                throw UnusableBook::unbelievable(
                    "{$edit->object}." . self::FIELD,
                    'no PIN was made for it; have one made under Mailboxes',
                );
            }
        }
    }

    /** What an edit says of the PIN, by itself or among the fields of a whole object. */
    private static function saidBy(FieldEdit $edit): mixed
    {
        return $edit->kind === OperationKind::Create
            ? (is_array($edit->value) ? $edit->value[self::FIELD] ?? null : null)
            : ($edit->path === self::FIELD ? $edit->value : null);
    }

    /** @throws CannotReveal */
    public function reveal(TenantRow $tenant, string $technicianId, string $object): string
    {
        $secret = $this->of(
            $tenant,
            (string) $this->holder($this->drafts->view($tenant, $technicianId)->edited, $object)->id(),
        )
            ?? throw CannotReveal::none();
        // The update tells two who ask at once apart: one of them is first.
        $first = Secret::query()->where('tenant_id', $tenant->id)->where(
            'object_id',
            $secret->object_id,
        )->where('field', self::FIELD)->whereNull('revealed_at')->update(['revealed_at' => $this->clock->now()]);
        if ($first === 0) {
            throw CannotReveal::again();
        }
        $this->log->noteOf($tenant->id, $technicianId, 'PIN shown', ['objects' => [$object]]);

        return $this->seal->decryptString($secret->ciphertext);
    }

    /**
     * @return list<array{object: string, label: string, strength: string, changedOn: string, by: string, isShown: bool,
     *     isSent: bool}> of objects that are in the book
     */
    public function known(TenantRow $tenant, string $technicianId): array
    {
        $book = $this->drafts->view($tenant, $technicianId)->edited;
        $secrets = Secret::query()->where('tenant_id', $tenant->id)->where('field', self::FIELD)
            ->with('technician')->get()->keyBy('object_id');
        $known = [];
        foreach (self::kinds() as $kind) {
            foreach ($book->ofKind($kind) as $object) {
                $secret = $secrets[(string) $object->id()] ?? null;
                if ($secret !== null) {
                    $known[] = [
                        'object' => (string) Reference::of($object), 'label' => $object->label(),
                        'strength' => $secret->strength, 'changedOn' => $secret->changed_on->toAtomString(),
                        'by' => $secret->technician->name, 'isShown' => $secret->revealed_at !== null,
                        'isSent' => $secret->sent_at !== null,
                    ];
                }
            }
        }

        return $known;
    }

    /** @return list<string> objects of the book as entered whose secret the switch has not been told yet */
    public function toTell(string $tenantId, Book $book): array
    {
        $unsent = Secret::query()->where('tenant_id', $tenantId)
            ->whereNull('sent_at')
            ->pluck('object_id', 'object_id')
            ->all();
        $objects = array_filter(
            $unsent === [] ? [] : $book->objects(),
            static fn (BookObject $object): bool => isset($unsent[(string) $object->id()])
                && (self::isSetIn($object) || $object->kind() === Kind::Device),
        );

        return array_values(
            array_map(static fn (BookObject $object): string => (string) Reference::of($object), $objects),
        );
    }

    /** A book that says there is none has not been entered yet. */
    public static function isSetIn(BookObject $object): bool
    {
        return ($object->toArray()[self::FIELD] ?? 'none') !== 'none';
    }

    /**
     * @return array<string, array{value: string, version: string}> what the switch has not been told yet, by object id
     */
    public function unsent(string $tenantId): array
    {
        $unsent = [];
        $rows = Secret::query()->where('tenant_id', $tenantId)->where('field', self::FIELD)->whereNull('sent_at');
        foreach ($rows->get() as $secret) {
            $unsent[$secret->object_id] = [
                'value' => $this->seal->decryptString($secret->ciphertext),
                'version' => $secret->changed_on->format('U.u'),
            ];
        }

        return $unsent;
    }

    /**
     * What telephones come to the switch with and it has not been told yet, made now where there is none.
     *
     * @return array<string, array{value: string, version: string}> by object id
     */
    public function registrations(string $tenantId, string $technicianId, Book $book): array
    {
        $devices = [];
        foreach ($book->all(Device::class) as $device) {
            if ($device->hardware !== null && $device->id !== null) {
                $devices[] = $device->id;
            }
        }
        $made = Secret::query()->where('tenant_id', $tenantId)->where('field', self::REGISTRATION)
            ->pluck('object_id')->all();
        foreach (Parts::of(array_values(array_diff($devices, array_filter($made, is_string(...))))) as $some) {
            Secret::query()->insert(array_map(
                fn (string $id): array => $this->registration($tenantId, $technicianId, $id),
                $some,
            ));
        }
        $unsent = [];
        $rows = Secret::query()->where('tenant_id', $tenantId)->where('field', self::REGISTRATION)
            ->whereNull('sent_at')->get();
        foreach ($rows as $secret) {
            $unsent[$secret->object_id] = [
                'value' => $this->seal->decryptString($secret->ciphertext),
                'version' => $secret->changed_on->format('U.u'),
            ];
        }

        return $unsent;
    }

    /** A telephone that was stolen, or turned away: the old secret opens nothing once the new one is pushed. */
    public function renewRegistration(TenantRow $tenant, string $technicianId, Device $device): void
    {
        $row = $this->registration($tenant->id, $technicianId, (string) $device->id);
        Secret::query()->upsert([$row], ['tenant_id', 'object_id', 'field'], [
            'ciphertext', 'technician_id', 'changed_on', 'sent_at',
        ]);
        $this->log->noteOf($tenant->id, $technicianId, 'registration secret made', [
            'objects' => [(string) Reference::of($device)],
        ]);
    }

    /** @return array<string, array{on: string, isSent: bool}> when each was made, by object id */
    public function registrationsMade(string $tenantId): array
    {
        $made = [];
        foreach (
            Secret::query()->where('tenant_id', $tenantId)->where('field', self::REGISTRATION)->get() as $secret
        ) {
            $made[$secret->object_id] = [
                'on' => $secret->changed_on->toAtomString(), 'isSent' => $secret->sent_at !== null,
            ];
        }

        return $made;
    }

    /** @return array<string, mixed> a row */
    private function registration(string $tenantId, string $technicianId, string $objectId): array
    {
        return [
            'tenant_id' => $tenantId, 'object_id' => $objectId, 'field' => self::REGISTRATION,
            'ciphertext' => $this->seal->encryptString(Str::random(self::REGISTRATION_LETTERS)), 'strength' => 'set',
            'technician_id' => $technicianId, 'changed_on' => $this->clock->now(), 'revealed_at' => null,
            'sent_at' => null,
        ];
    }

    /** Another switch is to be told them all. */
    public function toBeSentAgain(string $tenantId): void
    {
        Secret::query()->where('tenant_id', $tenantId)->update(['sent_at' => null]);
    }

    /** @param string $version of the secret that was sent; a newer one made meanwhile stays to be sent */
    public function sent(string $tenantId, string $objectId, string $version): void
    {
        // An object has one secret: a PIN, or what it registers with.
        $secret = Secret::query()->where('tenant_id', $tenantId)->where('object_id', $objectId)->first();
        if ($secret?->changed_on->format('U.u') === $version) {
            Secret::query()->where('tenant_id', $tenantId)->where('object_id', $objectId)
                ->update(['sent_at' => $this->clock->now()]);
        }
    }

    private function of(TenantRow $tenant, string $objectId): ?Secret
    {
        return Secret::query()->where('tenant_id', $tenant->id)
            ->where('object_id', $objectId)
            ->where('field', self::FIELD)
            ->with('technician')
            ->first();
    }

    /** @throws UnusableBook */
    private function holder(Book $book, string $object): BookObject
    {
        $reference = Reference::parse($object, 'object');
        $holder = $book->find($reference) ?? throw UnusableBook::danglingReference('object', $object);
        if (! in_array($reference->kind, self::kinds(), true) || $holder->id() === null) {
            throw UnusableBook::malformed('object', 'a mailbox, a conference room or a route', $object);
        }

        return $holder;
    }

    private static function random(?string $extension): string
    {
        do {
            $pin = str_pad((string) random_int(0, 10 ** self::DIGITS - 1), self::DIGITS, '0', STR_PAD_LEFT);
        } while (PinStrength::of($pin, $extension) !== PinStrength::Set);

        return $pin;
    }

    /** @return list<Kind> that have a PIN, as the fields of the book declare */
    private static function kinds(): array
    {
        $secrets = Catalogue::secrets();

        return array_values(array_filter(
            Kind::cases(),
            static fn (Kind $kind): bool => in_array("{$kind->value}." . self::FIELD, $secrets, true),
        ));
    }
}
