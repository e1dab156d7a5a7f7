<?php

declare(strict_types=1);

namespace App\Audit;

use App\Book\BookRepository;
use App\Switching\Switches;
use Illuminate\Database\ConnectionInterface;
use Jaunty\Core\Audit\AddressSeen;
use Jaunty\Core\Audit\DraftSeen;
use Jaunty\Core\Audit\GrantSeen;
use Jaunty\Core\Audit\InvitationSeen;
use Jaunty\Core\Audit\LeavingSeen;
use Jaunty\Core\Audit\LineSeen;
use Jaunty\Core\Audit\NumberSeen;
use Jaunty\Core\Audit\OwnAddressSeen;
use Jaunty\Core\Audit\PortSeen;
use Jaunty\Core\Audit\RegistrationSeen;
use Jaunty\Core\Audit\Surroundings;
use Jaunty\Core\Audit\TelephoneSeen;
use Jaunty\Core\Audit\TestSeen;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Book\Evolution\Evolution;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Provisioning\Unsupported;
use Jaunty\Core\Templates\Slot;
use Jaunty\Core\Templates\Template;

/**
 * Gathers what rules ask of a customer besides the book, in one statement: it is asked at every edit. In the customer's
 * scope.
 *
 * @phpstan-type Answers array{
 *     connector: string, revision: int, pushed: ?int, readOn: ?string, signed: ?int, later: list<array{version: int,
 *     operations: list<mixed>}>,
 *     application: ?array{template: string, no: int, newest: int, body: mixed, answers: array<string, mixed>,
 *     made: mixed},
 *     unexplained: list<array{version: int, object: string, path: string}>,
 *     grants: list<array{name: string, ability: string, until: ?int, looksAfter: bool}>,
 *     invitations: list<array{signIn: string, sentAt: int, openUntil: int}>,
 *     ports: list<array{numbers: list<string>, name: string, street: string, postcode: string, day: string,
 *     rejected: ?string}>,
 *     leaving: list<array{numbers: list<string>, to: string, day: string, answerBy: ?string, isAnswered: bool}>,
 *     numbers: list<array{number: string, state: string, until: ?string}>,
 *     verified: list<string>,
 *     registrations: list<array{number: string, kind: string, name: string, state: string, remark: string}>,
 *     pins: list<string>, waitingSince: ?string, drafts: list<array{name: string, on: string, operations: int}>,
 *     addresses: list<array{site: string, on: string, verdict: string, address: array<string, string>,
 *     better: array<string, string>, remark: string}>,
 *     tests: list<array{site: string, on: string, passed: bool, basis: ?array{address: array<string, string>,
 *     callback: ?string, telephones: list<string>}}>,
 *     lines: list<array{site: string, on: string, measured: array{down: ?int, up: ?int, roundTrip: int|float|null,
 *     jitter: int|float|null, loss: int|float|null, ownNetwork: ?bool, backup: ?bool, codec: string, packetMs: int,
 *     calls: int}}>,
 *     telephones: list<array{device: string, state: string, since: ?string, isCurrent: bool}>,
 *     ownAddresses: list<array{user: string, on: string, address: array{street: string, unit: string, city: string,
 *     subdivision: string, postcode: string, country: string}}>
 * }
 */
final readonly class SurroundingsReader
{
    private const ALL = <<<'SQL'
        select jsonb_build_object(
            'connector', t.connector,
            'revision', t.head_revision,
            'pushed', s.pushed_revision,
            'readOn', s.live_read_at::date,
            'signed', signed.revision,
            -- As one set of changes where it is kept, which it is from the next revision on; else revision by revision.
            'later', coalesce((select jsonb_build_array(jsonb_build_object('version', c.schema_version, 'operations',
                    c.operations))
                from since_signed c where c.tenant_id = t.id and c.signed = signed.revision
                    and c.revision = t.head_revision),
                (select coalesce(jsonb_agg(jsonb_build_object('version', r.schema_version, 'operations',
                    r.operations) order by r.no desc), '[]')
                from revisions r where r.tenant_id = t.id and r.no > signed.revision)),
            'application', case when applied.serial is null then null else jsonb_build_object(
                'template', applied.template_id, 'no', applied.no, 'newest', newest.no, 'body', newest.body,
                'answers', applied.answers, 'made', applied.made) end,
            'unexplained', case when applied.serial
                is null then '[]' else (select coalesce(jsonb_agg(jsonb_build_object('version', u.schema_version,
                    'object', u.object, 'path', u.path)), '[]')
                from unnoted_fields u where u.tenant_id = t.id) end,
            'grants', (select coalesce(jsonb_agg(jsonb_build_object('name', g.name, 'ability', g.ability, 'until',
                extract(epoch from g.until)::bigint, 'looksAfter', g.looks_after) order by g.place), '[]')
                from roster_grants_here() with ordinality g (name, ability, until, looks_after, place)),
            'invitations', (select coalesce(jsonb_agg(jsonb_build_object('signIn', i.sign_in, 'sentAt',
                extract(epoch from i.sent_at)::bigint, 'openUntil', extract(epoch from i.open_until)::bigint)
                    order by i.place), '[]')
                from roster_invitations_here() with ordinality i (sign_in, sent_at, open_until, place)),
            'ports', (select coalesce(jsonb_agg(jsonb_build_object('numbers', p.numbers, 'name',
                coalesce(p.said ->> 'name', ''), 'street', coalesce(p.said ->> 'street', ''), 'postcode',
                coalesce(p.said ->> 'postcode', ''), 'day', p.day, 'rejected',
                    case when p.state in ('rejected', 'failedBack') then p.remark end) order by p.opened_at, p.id),
                '[]')
                from port_cases p where p.tenant_id = t.id and p.direction = 'in'
                    and p.state in ('sent', 'rejected', 'dated', 'moving', 'failedBack')),
            'leaving', (select coalesce(jsonb_agg(jsonb_build_object('numbers', p.numbers, 'to',
                coalesce(p.said ->> 'losingCarrier', ''), 'day', p.day, 'answerBy', p.answer_by, 'isAnswered',
                p.state <> 'asked') order by p.opened_at, p.id), '[]')
                from port_cases p where p.tenant_id = t.id and p.direction = 'out'
                    and p.state in ('asked', 'agreed')),
            'verified', (select coalesce(jsonb_agg(v.number order by v.number), '[]')
                from verified_numbers v where v.tenant_id = t.id and v.verified_at is not null),
            'registrations', (select coalesce(jsonb_agg(jsonb_build_object('number', r.number, 'kind', r.kind, 'name',
                coalesce(r.said ->> 'name', ''), 'state', r.state, 'remark', r.remark) order by r.number, r.kind), '[]')
                from number_registrations r where r.tenant_id = t.id),
            'numbers', (select coalesce(jsonb_agg(jsonb_build_object('number', n.e164, 'state', n.state, 'until',
                n.until) order by n.e164), '[]')
                from numbers n where n.tenant_id = t.id),
            'pins', (select coalesce(jsonb_agg('mailbox:' || (mailbox->>'key')), '[]')
                from (select book from live_snapshots where tenant_id = t.id order by serial desc limit 1) latest,
                    jsonb_array_elements(latest.book->'mailboxes') mailbox
                where mailbox->>'pin' in ('set', 'weak')),
            'waitingSince', (select (r.entered_at at time zone :zone)::date from revisions r where r.tenant_id = t.id
                and r.no > s.pushed_revision order by r.no limit 1),
            'addresses', (select coalesce(jsonb_agg(jsonb_build_object('site', c.site_id, 'on',
                (c.made_at at time zone :zone)::date, 'verdict', c.verdict, 'address', c.address, 'better',
                coalesce(c.better, '{}'), 'remark', c.remark)), '[]')
                from (select distinct on (site_id) * from address_checks where tenant_id = t.id
                    order by site_id, serial desc) c),
            'tests', (select coalesce(jsonb_agg(jsonb_build_object('site', e.site_id, 'on',
                (e.tested_at at time zone :zone)::date, 'passed', e.passed, 'basis', e.basis)), '[]')
                from (select distinct on (site_id) * from emergency_tests where tenant_id = t.id
                    order by site_id, serial desc) e),
            'lines', (select coalesce(jsonb_agg(jsonb_build_object('site', l.site_id, 'on',
                (l.measured_at at time zone :zone)::date, 'measured', l.measured)), '[]')
                from (select distinct on (site_id) * from line_measurements where tenant_id = t.id
                    order by site_id, serial desc) l),
            'ownAddresses', (select coalesce(jsonb_agg(jsonb_build_object('user', w.user_id, 'on',
                (w.made_at at time zone :zone)::date, 'address', w.address)), '[]')
                from (select distinct on (user_id) * from address_answers where tenant_id = t.id
                    order by user_id, serial desc) w),
            'telephones', (select coalesce(jsonb_agg(jsonb_build_object('device', heard.id, 'state', case
                when heard.said->>'since' is not null then 'registered'
                when (heard.said->>'refused')::bigint >= coalesce((heard.said->>'lost')::bigint, 0) then 'refused'
                when heard.said->>'lost' is not null then 'lost' else 'never' end, 'since',
                (to_timestamp(coalesce((heard.said->>'since')::bigint, greatest((heard.said->>'refused')::bigint,
                    (heard.said->>'lost')::bigint))) at time zone :zone)::date,
                'isCurrent', (heard.said->>'isCurrent')::boolean)), '[]')
                from telephones_heard h, jsonb_each(h.heard) heard (id, said) where h.tenant_id = t.id),
            'drafts', (select coalesce(jsonb_agg(jsonb_build_object('name', w.name, 'on',
                (d.updated_at at time zone :zone)::date, 'operations', json_array_length(d.operations))), '[]')
                from drafts d join technicians w on w.id = d.technician_id where d.tenant_id = t.id)
        ) as answers
        from tenants t
        left join tenant_summaries s on s.tenant_id = t.id
        left join lateral (select revision from signed_books where tenant_id = t.id order by signed_on desc,
            made_at desc limit 1) signed on true
        left join lateral (select a.serial, a.answers, a.made, v.template_id, v.no
            from template_applications a join template_versions v on v.id = a.template_version_id
            where a.tenant_id = t.id order by a.serial desc limit 1) applied on true
        left join lateral (select v.no, v.body from template_versions v where v.template_id = applied.template_id
            order by v.no desc limit 1) newest on true
        where t.id = :tenant
        SQL;

    public function __construct(
        private BookRepository $books,
        private Switches $switches,
        private ConnectionInterface $db,
    ) {
    }

    /**
     * @param  Book  $book  to be audited
     * @param  ?Book  $head  as last entered, where it was loaded already
     */
    public function of(string $tenantId, Book $book, ?Book $head = null): Surroundings
    {
        $told = $this->answers($tenantId, $book->tenant->zone);
        $applied = $told['application'];
        $unsupported = $this->switches->named($told['connector'])->capabilities()->unsupported($book);
        $fields = array_filter($unsupported, static fn (Unsupported $each): bool => $each->path !== null);
        $newest = $applied === null ? null : Template::fromJson(json_encode($applied['body'], JSON_THROW_ON_ERROR));

        return new Surroundings(
            $told['revision'],
            $told['pushed'],
            $told['readOn'],
            array_column(array_diff_key($unsupported, $fields), 'object'),
            $told['signed'] === null
                ? null
                : BookRepository::before($head ?? $this->books->head($tenantId), ...array_map(
                    static fn (array $later): ChangeSet => ChangeSet::read(
                        $later['operations'],
                        version: $later['version'],
                    ),
                    $told['later'],
                )),
            $newest?->name,
            $applied === null ? 0 : $applied['newest'] - $applied['no'],
            $applied === null || $newest === null ? [] : self::unanswered($newest, $applied['answers']),
            $applied === null ? null : BookFormat::fromValue($applied['made']),
            self::unexplained($told['unexplained']),
            array_map(
                static fn (array $grant): GrantSeen => new GrantSeen(
                    $grant['name'],
                    $grant['ability'],
                    $grant['until'],
                    $grant['looksAfter'],
                ),
                $told['grants'],
            ),
            array_map(
                static fn (array $sent): InvitationSeen => new InvitationSeen(
                    $sent['signIn'],
                    $sent['sentAt'],
                    $sent['openUntil'],
                ),
                $told['invitations'],
            ),
            array_map(
                static fn (array $port): PortSeen => new PortSeen(
                    $port['numbers'],
                    $port['name'],
                    $port['street'],
                    $port['postcode'],
                    $port['day'],
                    $port['rejected'],
                ),
                $told['ports'],
            ),
            $told['pins'],
            $told['waitingSince'],
            array_map(
                static fn (array $draft): DraftSeen => new DraftSeen(
                    $draft['name'],
                    $draft['on'],
                    $draft['operations'],
                ),
                $told['drafts'],
            ),
            array_values($fields),
            array_map(static fn (array $each): AddressSeen => new AddressSeen(...$each), $told['addresses']),
            array_map(static fn (array $each): TestSeen => new TestSeen(...$each), $told['tests']),
            array_map(static fn (array $each): LeavingSeen => new LeavingSeen(...$each), $told['leaving']),
            array_map(static fn (array $each): NumberSeen => new NumberSeen(...$each), $told['numbers']),
            $told['verified'],
            array_map(
                static fn (array $each): RegistrationSeen => new RegistrationSeen(...$each),
                $told['registrations'],
            ),
            array_map(static fn (array $each): LineSeen => new LineSeen(...$each), $told['lines']),
            array_map(static fn (array $each): OwnAddressSeen => new OwnAddressSeen(...$each), $told['ownAddresses']),
            array_map(static fn (array $each): TelephoneSeen => new TelephoneSeen(...$each), $told['telephones']),
        );
    }

    /** @return Answers */
    private function answers(string $tenantId, string $zone): array
    {
        $row = $this->db->selectOne(self::ALL, ['tenant' => $tenantId, 'zone' => $zone]);
        $told = is_object($row) && isset($row->answers) && is_string($row->answers)
            ? json_decode($row->answers, true, flags: JSON_THROW_ON_ERROR)
            : null;

        /** @var Answers */
        return is_array($told) ? $told : throw new \LogicException("customer {$tenantId} is out of scope");
    }

    /**
     * @param  array<string, mixed>  $answers
     * @return list<string> questions that are asked whatever else is answered, and have to be
     */
    private static function unanswered(Template $template, array $answers): array
    {
        $open = array_filter(
            $template->slots,
            static fn (Slot $slot): bool => ! $slot->optional
                && $slot->default === null
                && $slot->when === null
                && in_array($answers[$slot->key] ?? null, [null, '', []], true),
        );

        return array_values(array_map(static fn (Slot $slot): string => $slot->question, $open));
    }

    /**
     * @param  list<array{version: int, object: string, path: string}>  $fields
     * @return list<string>
     */
    private static function unexplained(array $fields): array
    {
        $evolution = Evolution::toNow();

        $fields = array_map(static fn (array $field): array => [
            $field['object'],
            $evolution->path(
                $field['version'],
                Reference::parse($field['object'], 'object')->kind,
                $field['path'],
            ),
        ], $fields);
        $fields = array_filter($fields, static fn (array $field): bool => $field[1] !== null);

        return array_values(array_unique(array_map(
            static fn (array $field): string => "{$field[0]} {$field[1]}",
            $fields,
        )));
    }
}
