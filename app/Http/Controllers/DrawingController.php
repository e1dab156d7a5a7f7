<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Desk\Books;
use App\Time\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Book\Attendant;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Handling;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Prompt;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\CallBook;
use Jaunty\Core\Hours\SpokenHours;
use Jaunty\Core\Hours\WeekPattern;
use Jaunty\Core\Hours\YearLine;
use Jaunty\Core\Hunting\TimingRuler;
use Jaunty\Core\Prompts\SpokenKeys;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** What is drawn of single objects of the edited book: timing rulers, the year of a schedule, what scripts say of keys. */
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
            $object instanceof User => array_map(static fn (Handling $handling): TimingRuler => TimingRuler::ofUser($object, $handling, $calls), array_filter(['open' => $object->open, 'closed' => $object->closed, 'holiday' => $object->holiday])),
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
        $zone = $object->fixedZone ?? $this->zoneOf($book, $object);
        $line = YearLine::of($object, $book, $zone, $this->today($book));

        return new JsonResponse([
            'zone' => $zone,
            'from' => $line->firstDate(),
            'minutes' => $line->minutes,
            'owners' => $line->owners,
            'clocks' => array_map(static fn (string $date, string $way): array => ['date' => $date, 'way' => $way], array_keys($line->clocks), array_values($line->clocks)),
            'knownUntil' => $line->knownUntil,
            'special' => $line->special,
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
                'told' => array_map(static fn (int|string $key, string $words): array => ['key' => (string) $key, 'words' => $words], array_keys($told), array_values($told)),
            ];
        }

        return new JsonResponse(['menus' => $menus]);
    }

    private function today(Book $book): int
    {
        return (new Inspection($book, $this->clock->now()->getTimestamp()))->today();
    }

    /** That of the first attendant that goes by it, else the customer's. */
    private function zoneOf(Book $book, Schedule $schedule): string
    {
        foreach ($book->all(Attendant::class) as $attendant) {
            if ($attendant->schedule !== null && $attendant->schedule->equals(Reference::of($schedule))) {
                return CallBook::open($book)->clockOf($attendant);
            }
        }

        return $book->tenant->zone;
    }
}
