<?php

declare(strict_types=1);

namespace Tests\Feature\Support;

use App\Switching\Bindings;
use App\Switching\SwitchConnector;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Tenant;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Provisioning\Planner;
use Jaunty\Core\Provisioning\StepKind;

/** A book built on the practice switch, where test calls are placed by its own reading of what it stores. */
final readonly class SecondReading
{
    private const ENDINGS = [
        'taken' => 'answered', 'far_box' => 'outsideMailbox', 'boxed' => 'messageIn', 'box_full' => 'messageRefused',
        'told' => 'announcementAndRelease', 'socket_rings' => 'lineRings',
        'dropped' => 'released', 'engaged' => 'busy', 'no_way' => 'refused', 'mangled' => 'notDelivered',
        'not_yet_ours' => 'oldCarrier', 'unknown' => 'notInService',
        'grabbed' => 'pickedUp', 'held' => 'parked', 'called_out' => 'paged', 'sat_down' => 'signedIn',
        'at_table' => 'inConference',
        'nowhere' => 'deadEnd', 'circles' => 'loop', 'too_far' => 'overrun',
    ];

    private const MOODS = [
        'busy' => 'full', 'onACall' => 'talking', 'unreachable' => 'dark', 'answers' => 'picks_up',
        'doNotDisturb' => 'hush', 'signedOut' => 'off',
        'mailbox' => 'box', 'off' => 'off', 'out' => 'dark', 'closedByHand' => 'shut',
        'ringing' => 'rung', 'inUse' => 'taken', 'holds' => 'taken',
    ];

    private const WORDS = [
        'user' => 'person', 'site' => 'premises', 'group' => 'band', 'trunk' => 'pipe', 'sharedLine' => 'party',
        'conference' => 'table', 'parkPlace' => 'bay', 'device' => 'set',
    ];

    private function __construct(private Wire $wire, public Book $book, private Bindings $bindings)
    {
    }

    /** @param string $key for the customer, one of a kind on the switch */
    public static function of(Wire $wire, SwitchConnector $connector, Book $book, string $key): self
    {
        $fitted = $connector->capabilities()->granularity()
            ->fit(Book::of(Tenant::read(Node::of(['key' => $key] + $book->tenant->toArray())), $book->objects()));
        $bindings = Bindings::none();
        foreach (Planner::plan(null, $connector->capabilities()->of($fitted))->steps as $place => $step) {
            $session = $connector->open($fitted, $bindings, 'test');
            $bound = $step->kind === StepKind::Create
                ? $session->create($step->object, $step->fields, "{$key}-{$place}")
                : $session->update($step->object, $step->fields, $step->expected, "{$key}-{$place}");
            $bindings = $bindings->with($step->object, $bound);
        }

        return new self($wire, $fitted, $bindings);
    }

    /** A book as it stands on the switch already. */
    public static function pushed(Wire $wire, Book $book, Bindings $bindings): self
    {
        return new self($wire, $book, $bindings);
    }

    /**
     * @param  array<string, mixed>  $script  of design 09
     * @return array{outcome: string, target: string, seconds: int, steps: list<array{int, string, string}>}
     */
    public function place(array $script): array
    {
        $read = Script::read($script, $this->book);
        $account = $this->id(Reference::parse("tenant:{$this->book->tenant->key}"));
        $answer = $this->wire->byHand('POST', "/v1/accounts/{$account}/trials", [
            'dial' => $read->number !== null ? ltrim($read->number, '+') : $script['to'],
            'from' => $read->from === 'withheld'
                ? 'HIDDEN'
                : (str_starts_with($read->from ?? '', '+') ? ltrim((string) $read->from, '+') : null),
            'by' => $this->by($script['from'] ?? null),
            'stamp' => $read->at,
            'keys' => array_map(
                static fn (array $key): array => array_filter(
                    ['key' => $key['key'], 't' => $key['at']],
                    static fn (mixed $value): bool => $value !== null,
                ),
                $read->keys,
            ),
            'moods' => $this->moods($read->world),
            'turns' => (object) array_combine(
                array_map(
                    fn (int|string $group): string => $this->id(Reference::parse((string) $group)),
                    array_keys($read->order),
                ),
                $read->order,
            ),
        ]);

        return [
            'outcome' => self::ENDINGS[$answer['ended']],
            'target' => $this->name($answer['place']),
            'seconds' => $answer['after'],
            'steps' => array_map(
                fn (array $line): array => [$line['t'], $this->name($line['place']), $line['what']],
                $answer['journal'],
            ),
        ];
    }

    /** @return ?array<string, string> who inside dials */
    private function by(mixed $from): ?array
    {
        if (! is_string($from) || preg_match('/^(user|device):/', $from, $found) !== 1) {
            return null;
        }

        return [self::WORDS[$found[1]] => $this->id(Reference::parse($from))];
    }

    /**
     * @param  array<string, string>  $world
     * @return array<string, array<string, string>>|object
     */
    private function moods(array $world): array|object
    {
        $moods = [];
        foreach ($world as $of => $state) {
            [$word, $rest] = explode(':', $of, 2) + [1 => ''];
            [$user, $item] = explode('/', $rest, 2) + [1 => ''];
            [$their, $id] = match ($word) {
                'platform' => ['switch', 'all'],
                'outside' => ['dial', ltrim($rest, '+')],
                'leg' => ['ringer', $this->id(Reference::parse("user:{$user}")) . "/{$item}"],
                default => [
                    self::WORDS[$word],
                    $this->id(Reference::parse($of)),
                ],
            };
            $moods[$their][$id] = match (true) {
                $state === 'full' => $word === 'group' ? 'brimful' : 'full',
                default => self::MOODS[$state],
            };
        }

        return $moods === [] ? (object) [] : $moods;
    }

    private function id(Reference $object): string
    {
        return $this->bindings->of($object)->externalId ?? throw new \LogicException("{$object} is not on the switch");
    }

    /** @param array<string, string> $place */
    private function name(array $place): string
    {
        $word = (string) array_key_first($place);

        return $word === 'dial' ? "outside:+{$place[$word]}" : (string) $this->bindings->called($place[$word]);
    }
}
