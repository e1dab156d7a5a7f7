<?php

declare(strict_types=1);

namespace App\Audit;

use App\Book\Applications;
use App\Book\RevisionSource;
use App\Drift\Signatures;
use App\Models\Draft;
use App\Models\PortRow;
use App\Models\Revision;
use App\Models\TemplateApplication;
use App\Models\TemplateVersion;
use App\Models\TenantRow;
use App\Models\TenantSummary;
use App\Stock\PortDesk;
use App\Stock\PortState;
use App\Switching\SwitchConnector;
use Illuminate\Database\ConnectionInterface;
use Jaunty\Core\Audit\DraftSeen;
use Jaunty\Core\Audit\GrantSeen;
use Jaunty\Core\Audit\InvitationSeen;
use Jaunty\Core\Audit\PortSeen;
use Jaunty\Core\Audit\Surroundings;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Templates\Slot;

/** Gathers what rules ask of a customer besides the book. In the customer's scope. */
final readonly class SurroundingsReader
{
    public function __construct(private Applications $applications, private Signatures $signatures, private SwitchConnector $switch, private PortDesk $ports, private ConnectionInterface $db)
    {
    }

    public function of(string $tenantId, Book $book): Surroundings
    {
        $summary = TenantSummary::query()->where('tenant_id', $tenantId)->toBase()->selectRaw('pushed_revision, live_read_at::date::text as read_on')->first();
        $application = $this->applications->newest($tenantId);
        $newest = $application === null ? null : TemplateVersion::query()->where('template_id', $application->version->template_id)->orderByDesc('no')->first();
        $pushed = $summary->pushed_revision ?? null;
        $readOn = $summary->read_on ?? null;

        return new Surroundings(
            TenantRow::query()->whereKey($tenantId)->firstOrFail()->head_revision,
            is_int($pushed) ? $pushed : null,
            is_string($readOn) ? $readOn : null,
            $this->notCarried($book),
            $this->signatures->newest($tenantId)[1] ?? null,
            $newest?->template()->name,
            $application === null || $newest === null ? 0 : $newest->no - $application->version->no,
            $application === null || $newest === null ? [] : self::unanswered($newest, $application),
            $application === null ? null : BookFormat::fromValue($application->made),
            $application === null ? [] : self::unexplained($tenantId),
            $this->grants(),
            $this->invitations(),
            $this->ports($tenantId),
            $this->pinsOnSwitch($tenantId),
            is_int($pushed) ? self::waitingSince($tenantId, $pushed, $book->tenant->zone) : null,
            self::drafts($tenantId, $book->tenant->zone),
        );
    }

    /** @return list<GrantSeen> */
    private function grants(): array
    {
        /** @var list<object{name: string, ability: string, until: ?int, looks_after: bool}&\stdClass> $rows */
        $rows = $this->db->select('select name, ability, extract(epoch from until)::bigint as until, looks_after from roster_grants_here()');

        return array_map(static fn (object $row): GrantSeen => new GrantSeen($row->name, $row->ability, $row->until, $row->looks_after), $rows);
    }

    /** @return list<InvitationSeen> */
    private function invitations(): array
    {
        /** @var list<object{sign_in: string, sent_at: int, open_until: int}&\stdClass> $rows */
        $rows = $this->db->select('select sign_in, extract(epoch from sent_at)::bigint as sent_at, extract(epoch from open_until)::bigint as open_until from roster_invitations_here()');

        return array_map(static fn (object $row): InvitationSeen => new InvitationSeen($row->sign_in, $row->sent_at, $row->open_until), $rows);
    }

    /** @return list<PortSeen> */
    private function ports(string $tenantId): array
    {
        $open = array_values(array_filter($this->ports->kept($tenantId), static fn (PortRow $port): bool => $port->state !== PortState::Done));

        return array_map(static fn (PortRow $port): PortSeen => new PortSeen($port->numbers, $port->name, $port->street, $port->postcode, $port->day, $port->state === PortState::Rejected ? $port->remark : null), $open);
    }

    /** The day on which the first revision was entered that no whole push carried. */
    private static function waitingSince(string $tenantId, int $pushed, string $zone): ?string
    {
        $first = Revision::query()->where('tenant_id', $tenantId)->where('no', '>', $pushed)->orderBy('no')->first();

        return $first?->entered_at->setTimezone($zone)->format('Y-m-d');
    }

    /** @return list<DraftSeen> */
    private static function drafts(string $tenantId, string $zone): array
    {
        return array_values(Draft::query()->where('tenant_id', $tenantId)->with('technician')->get()
            ->map(static fn (Draft $draft): DraftSeen => new DraftSeen($draft->technician->name, $draft->updated_at->setTimezone($zone)->format('Y-m-d'), count($draft->operations)))->all());
    }

    /** @return list<string> */
    private function pinsOnSwitch(string $tenantId): array
    {
        /** @var list<object{key: string}&\stdClass> $rows */
        $rows = $this->db->select(<<<'SQL'
            select mailbox->>'key' as key
            from (select book from live_snapshots where tenant_id = ? order by serial desc limit 1) newest, jsonb_array_elements(newest.book->'mailboxes') mailbox
            where mailbox->>'pin' in ('set', 'weak')
            SQL, [$tenantId]);

        return array_map(static fn (object $row): string => "mailbox:{$row->key}", $rows);
    }

    /** @return list<string> */
    private function notCarried(Book $book): array
    {
        $carried = $this->switch->carried($book);
        $left = [];
        foreach ($book->objects() as $object) {
            if ($object->kind()->takesCalls() && $carried->find(Reference::of($object)) === null) {
                $left[] = (string) Reference::of($object);
            }
        }

        return $left;
    }

    /** @return list<string> questions that are asked whatever else is answered, and have to be */
    private static function unanswered(TemplateVersion $version, TemplateApplication $application): array
    {
        $open = array_filter($version->template()->slots, static fn (Slot $slot): bool => ! $slot->optional && $slot->default === null && $slot->when === null && in_array($application->answers[$slot->key] ?? null, [null, '', []], true));

        return array_values(array_map(static fn (Slot $slot): string => $slot->question, $open));
    }

    /** @return list<string> */
    private static function unexplained(string $tenantId): array
    {
        $fields = [];
        foreach (Revision::query()->where('tenant_id', $tenantId)->whereNull('note')->where('source', RevisionSource::Edit->value)->get() as $revision) {
            foreach ($revision->changes()->toArray() as $operation) {
                if (is_string($operation['object'] ?? null) && is_string($operation['path'] ?? null)) {
                    $fields["{$operation['object']} {$operation['path']}"] = true;
                }
            }
        }

        return array_keys($fields);
    }
}
