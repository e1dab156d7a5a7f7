<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Books;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Calendar;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Handling;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\NameScope;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\AllCalls\DirectoryReport;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Hours\CalendarLine;
use Jaunty\Core\Hours\CustomerDay;
use Jaunty\Core\Hours\SpokenHolidays;
use Jaunty\Core\Hours\SpokenHours;
use Jaunty\Core\Hours\WeekPattern;
use Jaunty\Core\Hours\YearLine;
use Jaunty\Core\Hours\ZoneClock;
use Jaunty\Core\Prompts\SpokenKeys;
use Jaunty\Core\Rulers\TimingRuler;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * What is drawn of single objects of the edited book: timing rulers, the year of a schedule, what scripts say of keys.
 */
final class DrawingController extends Controller
{
    public function __construct(private readonly Books $books, private readonly Clock $clock)
    {
    }

    public function ruler(Request $request, string $customer, string $kind, string $key): JsonResponse
    {
        $book = $this->books->edited($this->technician($request)->id, $customer);
        $object = $book->find(Reference::to(Kind::from($kind), $key));
        $calls = CallBook::open($book);
        $rulers = match (true) {
            $object instanceof Group => ['' => TimingRuler::ofGroup($object, $calls)],
            $object instanceof Chain => ['' => TimingRuler::ofChain($object, $calls)],
            $object instanceof User => array_map(
                static fn (Handling $handling): TimingRuler => TimingRuler::ofUser($object, $handling, $calls),
                array_filter(['open' => $object->open, 'closed' => $object->closed, 'holiday' => $object->holiday]),
            ),
            default => throw new NotFoundHttpException(),
        };

        return new JsonResponse(['rulers' => array_map(static fn (string $state, TimingRuler $ruler): array => [
            'state' => $state,
            'bars' => array_map(get_object_vars(...), $ruler->bars),
            'limit' => $ruler->limit,
            'onePass' => $ruler->onePass,
            'ring' => $ruler->ring,
            'words' => $ruler->words,
        ], array_keys($rulers), array_values($rulers))]);
    }

    public function year(Request $request, string $customer, string $schedule): JsonResponse
    {
        $book = $this->books->edited($this->technician($request)->id, $customer);
        $object = $book->find(Reference::to(Kind::Schedule, $schedule));
        if (! $object instanceof Schedule) {
            throw new NotFoundHttpException();
        }
        $goesByIt = array_values(array_filter(
            $book->all(Attendant::class),
            static fn (Attendant $each): bool => $each->schedule?->equals(Reference::of($object)) === true,
        ))[0] ?? null;
        $zone = $object->fixedZone
            ?? ($goesByIt === null ? $book->tenant->zone : CallBook::open($book)->clockOf($goesByIt));
        $line = YearLine::of($object, $book, $zone, $this->today($book));

        return new JsonResponse([
            'zone' => $zone,
            'from' => $line->firstDate(),
            'minutes' => $line->minutes,
            'owners' => $line->owners,
            'clocks' => array_map(
                static fn (string $date, string $way): array => ['date' => $date, 'way' => $way],
                array_keys($line->clocks),
                array_values($line->clocks),
            ),
            'knownUntil' => $line->knownUntil,
            'special' => array_map(
                static fn (array $each): array => [
                    'callers' => $goesByIt === null ? [] : self::callers($book, $goesByIt, $each['states']),
                ]
                    + array_diff_key($each, ['states' => true]),
                $line->special,
            ),
            'words' => WeekPattern::of($object->weekly)->words(),
            'overlaps' => WeekPattern::of($object->weekly)->overlaps(),
        ]);
    }

    /** Hours as somebody said them, as pieces of a week. */
    public function readHours(Request $request, string $customer): JsonResponse
    {
        /** @var array{said: string} $given */
        $given = $request->validate(['said' => ['required', 'string', 'max:2000']]);
        $book = $this->books->edited($this->technician($request)->id, $customer);

        return new JsonResponse(SpokenHours::read($given['said'], $this->today($book)));
    }

    /** What each holiday of a calendar goes by, and the next dates it gives. */
    public function calendar(Request $request, string $customer, string $calendar): JsonResponse
    {
        $book = $this->books->edited($this->technician($request)->id, $customer);
        $object = $book->find(Reference::to(Kind::Calendar, $calendar));

        return $object instanceof Calendar
            ? new JsonResponse(['holidays' => CalendarLine::of($object, $this->today($book))])
            : throw new NotFoundHttpException();
    }

    /** Holidays as somebody listed them. */
    public function readHolidays(Request $request, string $customer): JsonResponse
    {
        /** @var array{said: string} $given */
        $given = $request->validate(['said' => ['required', 'string', 'max:10000']]);
        $this->books->edited($this->technician($request)->id, $customer);

        return new JsonResponse(SpokenHolidays::read($given['said']));
    }

    /** What each menu's script tells callers of its keys. */
    public function menus(Request $request, string $customer): JsonResponse
    {
        $book = $this->books->edited($this->technician($request)->id, $customer);
        $menus = [];
        foreach ($book->all(Menu::class) as $menu) {
            $prompt = $menu->prompt === null ? null : $book->find($menu->prompt);
            $told = $prompt instanceof Prompt ? SpokenKeys::in($prompt->script, $prompt->language) : [];
            $menus[] = [
                'ref' => (string) Reference::of($menu),
                'seconds' => $prompt instanceof Prompt ? $prompt->seconds() : 0,
                'written' => SpokenKeys::write($menu, static fn (Destination $to): string => self::known($book, $to)),
                'directory' => $menu->dialByName['scope'] === NameScope::Off ? null : self::directory($book, $menu),
                'told' => array_map(
                    static fn (int|string $key, string $words): array => ['key' => (string) $key, 'words' => $words],
                    array_keys($told),
                    array_values($told),
                ),
            ];
        }

        return new JsonResponse(['menus' => $menus]);
    }

    /** What callers know a destination by. */
    private static function known(Book $book, Destination $to): string
    {
        return ($to->object === null ? null : $book->find($to->object)?->label()) ?? match ((string) $to) {
            'directory' => 'somebody by name',
            default => Destination::WORDS[(string) $to] ?? (string) $to,
        };
    }

    /** @return array<string, mixed> */
    private static function directory(Book $book, Menu $menu): array
    {
        $report = DirectoryReport::of(CallBook::open($book), $menu);

        return ['reached' => $report->reached, 'alike' => $report->alike, 'left' => $report->left];
    }

    private function today(Book $book): int
    {
        return (new CustomerDay(ZoneClock::of($book->tenant->zone), $this->clock->now()->getTimestamp()))->number();
    }

    /**
     * Where an attendant sends callers in several states of its schedule.
     *
     * @param  list<string>  $states
     * @return list<string> destinations, each once
     */
    private static function callers(Book $book, Attendant $attendant, array $states): array
    {
        $leads = array_column($attendant->answers, 'then', 'item');
        $callers = array_map(
            static fn (string $state): string => (string) (
                $leads[CallBook::saying($book, $state)->answer($attendant) ?? ''] ?? ''
            ),
            $states,
        );

        return array_values(array_unique(array_diff($callers, [''])));
    }
}
