<?php

declare(strict_types=1);

namespace App\Telephones;

use App\Access\Scope;
use App\Book\BookRepository;
use App\Models\Ability;
use App\Models\TelephonesHeard;
use App\Models\TenantRow;
use App\Secrets\SecretKeeper;
use App\Switching\BindingStore;
use App\Switching\Switches;
use App\Switching\SwitchTrouble;
use App\Time\Clock;
use Illuminate\Database\ConnectionInterface;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Device;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Telephones\Heard;
use Jaunty\Core\Telephones\Model;

/** Telephones of a customer, beside what the book says of them. The switch is asked outside any transaction. */
final readonly class TelephoneDesk
{
    /** Desks ask every few seconds; the switch is asked once for all of them. */
    private const GOOD_FOR_SECONDS = 3;

    public function __construct(
        private Scope $scope,
        private Switches $switches,
        private BookRepository $books,
        private BindingStore $bindings,
        private SecretKeeper $secrets,
        private Clock $clock,
        private ConnectionInterface $db,
    ) {
    }

    public function view(string $technicianId, string $customer): TelephoneView
    {
        [$tenantId, $session] = $this->scope->tenant(
            $technicianId,
            $customer,
            Ability::Read,
            function (TenantRow $tenant): array {
                if (! $this->mayAsk($tenant)) {
                    return [$tenant->id, null];
                }
                $book = $this->books->head($tenant->id);
                $switch = $this->switches->of($tenant);

                return [
                    $tenant->id,
                    $switch->open($book, $this->bindings->load($tenant->id, $switch->name(), [$book])),
                ];
            },
        );
        $trouble = null;
        $heard = null;
        try {
            $heard = $session?->telephones();
        } catch (SwitchTrouble $fault) {
            [$session, $trouble] = [null, $fault->getMessage()];
        }

        return $this->scope->tenant(
            $technicianId,
            $tenantId,
            Ability::Read,
            function (TenantRow $tenant) use ($session, $heard, $trouble): TelephoneView {
                $book = $this->books->head($tenant->id);
                if ($session !== null) {
                    $this->keep($tenant, $book, $heard);
                }

                return $this->shown($tenant, $book, $trouble);
            },
        );
    }

    /** One of all who ask within seconds asks the switch for them all. */
    private function mayAsk(TenantRow $tenant): bool
    {
        return $this->db->affectingStatement(
            'insert into telephones_heard as h (tenant_id, asked_at) values (?, clock_timestamp()) '
                . 'on conflict (tenant_id) do update set asked_at = excluded.asked_at '
                . "where h.asked_at < clock_timestamp() - interval '1 second' * ?",
            [$tenant->id, self::GOOD_FOR_SECONDS],
        ) > 0;
    }

    /** A new one for a telephone, which the next push tells the switch. */
    public function renewSecret(string $technicianId, string $customer, string $key): void
    {
        $this->scope->tenant($technicianId, $customer, Ability::Edit, function (TenantRow $tenant) use (
            $technicianId,
            $key,
        ): void {
            $device = $this->books->head($tenant->id)->find(Reference::parse("device:{$key}"));
            if (! $device instanceof Device || $device->hardware === null) {
                throw UnusableBook::unbelievable("device:{$key}", 'it has no hardware address in the book as entered');
            }
            $this->secrets->renewRegistration($tenant, $technicianId, $device);
        });
    }

    /** @param ?list<Heard> $heard */
    private function keep(TenantRow $tenant, Book $book, ?array $heard): void
    {
        $known = $heard === null ? null : [];
        foreach ($heard ?? [] as $each) {
            $id = $book->find(Reference::parse($each->device))?->id();
            if ($id !== null) {
                $known[$id] = array_diff_key(get_object_vars($each), ['device' => true]);
            }
        }
        TelephonesHeard::query()->whereKey($tenant->id)->update([
            'read_at' => $this->clock->now(),
            'heard' => $known === null ? null : json_encode((object) $known, JSON_THROW_ON_ERROR),
        ]);
    }

    private function shown(TenantRow $tenant, Book $book, ?string $trouble): TelephoneView
    {
        $kept = TelephonesHeard::query()->find($tenant->id);
        $made = $this->secrets->registrationsMade($tenant->id);
        $heard = $kept?->heard === null ? null : [];
        $secrets = [];
        foreach ($book->all(Device::class) as $device) {
            $reference = (string) Reference::of($device);
            $told = $kept?->heard[$device->id ?? ''] ?? null;
            if ($told !== null) {
                $heard[] = new Heard($reference, ...$told);
            }
            if (isset($made[$device->id ?? ''])) {
                $secrets[$reference] = $made[$device->id ?? ''];
            }
        }

        return new TelephoneView(
            Model::shipped(),
            $this->switches->of($tenant)->capabilities()->codes,
            $heard,
            $kept?->read_at,
            $trouble,
            $secrets,
        );
    }
}
