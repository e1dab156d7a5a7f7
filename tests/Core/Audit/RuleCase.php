<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\AddressSeen;
use Jaunty\Core\Audit\DraftSeen;
use Jaunty\Core\Audit\Failure;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\GrantSeen;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\InvitationSeen;
use Jaunty\Core\Audit\LeavingSeen;
use Jaunty\Core\Audit\LineSeen;
use Jaunty\Core\Audit\NumberSeen;
use Jaunty\Core\Audit\OwnAddressSeen;
use Jaunty\Core\Audit\PortSeen;
use Jaunty\Core\Audit\RegistrationSeen;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\RuleBook;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Audit\Surroundings;
use Jaunty\Core\Audit\TelephoneSeen;
use Jaunty\Core\Audit\TestSeen;
use Jaunty\Core\Audit\Thresholds;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookObject;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Provisioning\Unsupported;

/**
 * What a rule is proven on: `tests/data/rules/<area>/<name>.txt`. A book in which nothing is found, what is otherwise
 * in the bad one, and the whole findings there; then, as often as somebody wants, a case of its own (`--- case NAME`,
 * and what is otherwise than in the good one, `thresholds` and `surroundings` too) with its findings: the edges of what
 * the rule counts.
 */
final readonly class RuleCase
{
    /** Noon at Port Merrow on Wednesday 2 December 2026, when samples are audited. */
    public const NOW = 1_796_227_200;

    private const SEEN = [
        'addresses' => AddressSeen::class, 'tests' => TestSeen::class, 'grants' => GrantSeen::class,
        'invitations' => InvitationSeen::class, 'ports' => PortSeen::class, 'drafts' => DraftSeen::class,
        'unsupported' => Unsupported::class, 'leaving' => LeavingSeen::class, 'stock' => NumberSeen::class,
        'registrations' => RegistrationSeen::class, 'lines' => LineSeen::class,
        'ownAddresses' => OwnAddressSeen::class, 'telephones' => TelephoneSeen::class,
    ];

    /**
     * @param  list<mixed>  $finds
     * @param  array<string, array{Inspection, list<mixed>}>  $cases  by name
     */
    private function __construct(
        public Book $good,
        public Book $bad,
        private ?Book $live,
        private ?Surroundings $goodIn,
        private ?Surroundings $badIn,
        private ?Failure $failure,
        public array $finds,
        public array $cases,
    ) {
    }

    public static function of(Rule $rule): self
    {
        return self::read(self::file($rule));
    }

    public static function file(Rule $rule): string
    {
        return __DIR__ . '/../../data/rules/' . str_replace('.', '/', $rule->about()->id) . '.txt';
    }

    private static function read(string $file): self
    {
        $parts = preg_split('/^--- (.+)$/m', (string) file_get_contents($file), -1, PREG_SPLIT_DELIM_CAPTURE);
        if ($parts === false || count($parts) % 2 === 0) {
            throw new \LogicException("{$file} has no parts");
        }
        $said = [];
        $cases = [];
        $case = null;
        for ($i = 1; $i < count($parts); $i += 2) {
            $value = json_decode($parts[$i + 1], true, 64, JSON_THROW_ON_ERROR);
            if (str_starts_with($parts[$i], 'case ')) {
                $case = substr($parts[$i], 5);
                $cases[$case] = [$value, []];
            } elseif ($parts[$i] === 'finds' && $case !== null) {
                $cases[$case][1] = $value;
            } else {
                $said[$parts[$i]] = $value;
            }
        }
        $good = $said['good'];
        $failure = isset($said['failure'])
            ? new Failure(self::about($said['failure']['rule']), $said['failure']['why'])
            : null;
        $badIn = isset($said['bad surroundings']) ? self::surroundings($said['bad surroundings']) : null;
        $live = isset($said['live']) ? Samples::book($said['live'] + $good) : null;

        return new self(
            Samples::book($good),
            Samples::book(($said['bad'] ?? []) + $good),
            $live,
            isset($said['good surroundings']) ? self::surroundings($said['good surroundings']) : null,
            $badIn,
            $failure,
            $said['finds'],
            array_map(
                static fn (array $each): array => [self::inspection($each[0], $good, $live, $badIn), $each[1]],
                $cases,
            ),
        );
    }

    /**
     * @param  array<string, mixed>  $otherwise  than in the good one: lists of the book, `thresholds` that are set, and
     *     `surroundings`
     * @param  array<string, mixed>  $good
     */
    private static function inspection(array $otherwise, array $good, ?Book $live, ?Surroundings $around): Inspection
    {
        $thresholds = (new Thresholds())->with($otherwise['thresholds'] ?? []);
        $around = isset($otherwise['surroundings']) ? self::surroundings($otherwise['surroundings']) : $around;
        unset($otherwise['thresholds'], $otherwise['surroundings']);

        return new Inspection(
            Samples::book($otherwise + $good),
            self::NOW,
            $live,
            surroundings: $around,
            thresholds: $thresholds,
        );
    }

    /** The good one as a rule about drift or surroundings looks at it. */
    public function good(): Inspection
    {
        return new Inspection(
            $this->good,
            self::NOW,
            $this->live === null ? null : $this->good,
            surroundings: $this->goodIn,
        );
    }

    public function bad(?Thresholds $thresholds = null): Inspection
    {
        return $this->like($this->bad, $thresholds);
    }

    /** Another book where the bad one is. */
    public function like(Book $book, ?Thresholds $thresholds = null): Inspection
    {
        return new Inspection(
            $book,
            self::NOW,
            $this->live,
            thresholds: $thresholds ?? new Thresholds(),
            surroundings: $this->badIn,
            failures: $this->failure === null ? [] : [$this->failure],
        );
    }

    /** @return ?Book what the switch says of the bad one */
    public function live(): ?Book
    {
        return $this->live;
    }

    /** @return array<string, mixed> a finding as a file writes it, without what is as usual */
    public static function written(Finding $finding): array
    {
        $fix = $finding->fix === null
            ? null
            : ['label' => $finding->fix->label, 'changes' => $finding->fix->changes->toArray()];
        $all = [
            'title' => $finding->title(),
            'detail' => $finding->detail(),
            'objects' => array_map(
                static fn (BookObject $object): string => (string) Reference::of($object),
                $finding->objects,
            ),
            'item' => $finding->item,
            'path' => $finding->path,
            'count' => $finding->count,
            'call' => $finding->call,
            'fix' => $fix,
        ];

        return array_filter(
            $all,
            static fn (mixed $value, string $name): bool => ! in_array(
                [$name, $value],
                [['item', ''], ['path', null], ['count', 1], ['call', null], ['fix', null]],
                true,
            ),
            ARRAY_FILTER_USE_BOTH,
        );
    }

    private static function about(string $id): About
    {
        foreach (RuleBook::all() as $rule) {
            if ($rule->about()->id === $id) {
                return $rule->about();
            }
        }

        // A rule of nobody: one that fell over.
        return new About($id, Severity::Error);
    }

    /** @param array<string, mixed> $value */
    private static function surroundings(array $value): Surroundings
    {
        foreach ($value as $name => $each) {
            if (isset(self::SEEN[$name])) {
                $class = self::SEEN[$name];
                $value[$name] = array_map(static fn (array $seen): object => new $class(...$seen), $each);
            } elseif ($name === 'signed' || $name === 'made') {
                $value[$name] = Samples::book($each);
            }
        }

        return new Surroundings(...$value);
    }
}
