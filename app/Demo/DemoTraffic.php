<?php

declare(strict_types=1);

namespace App\Demo;

use App\Switching\Bindings;
use App\Time\Clock;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Client\RequestException;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Group;
use Jaunty\Core\Book\Member;
use Jaunty\Core\Book\Reference;

/**
 * A month of callers at the practice switch, the same each time: most are answered, some not, and one member of the
 * first group never answers.
 */
final readonly class DemoTraffic
{
    private const DAYS = 42;

    /** Minutes past eight, UTC: when a caller comes in Port Merrow's working day. */
    private const MINUTES = [312, 347, 391, 420, 466, 518, 573];

    /** Calls at once that the switch takes within the time one waits for an answer. */
    private const BATCH = 60;

    private const MOST_TRIES = 8;

    /** Milliseconds: the switch counts calls by the second. */
    private const WAIT = 1_100;

    public function __construct(private Factory $http, private Clock $clock)
    {
    }

    public function play(Book $book, Bindings $known): void
    {
        $main = $book->tenant->mainNumber;
        $group = $book->all(Group::class)[0] ?? null;
        $account = $known->of(Reference::of($book->tenant))?->externalId;
        if ($main === null || $group === null || $account === null) {
            return;
        }
        $people = array_values(array_filter(
            array_map(
                static fn (Member $member): ?string => str_starts_with((string) $member->who, 'user:')
                    ? $known->of(Reference::parse((string) $member->who))?->externalId
                    : null,
                $group->members,
            ),
            is_string(...),
        ));
        $midnight = intdiv($this->clock->now()->getTimestamp(), 86400) * 86400;
        $calls = [];
        for ($day = self::DAYS; $day >= 1; $day--) {
            foreach (self::MINUTES as $place => $minutes) {
                $number = $day * count(self::MINUTES) + $place;
                $picksUp = $number % 5 === 0 || count($people) < 2
                    ? []
                    : [$people[$number % (count($people) - 1)] => 'picks_up'];
                $calls[] = [
                    'dial' => ltrim($main->key, '+'), 'from' => '1902555' . sprintf('%04d', 100 + $number % 100),
                    'stamp' => $midnight - $day * 86400 + (480 + $minutes) * 60, 'talk' => 40 + $number * 7 % 200,
                    'moods' => ['person' => (object) $picksUp],
                ];
            }
        }
        foreach (array_chunk($calls, self::BATCH) as $some) {
            $url = config('roster.switches.practice-switch.url');
            $token = config('roster.switches.practice-switch.token');
            $this->http->baseUrl(is_string($url) ? $url : '')->withToken(
                is_string($token) ? $token : '',
            )->asJson()->timeout(60)->withOptions(['proxy' => ''])
                ->retry(self::MOST_TRIES, self::WAIT, self::isTooFast(...))
                ->post("/v1/accounts/{$account}/traffic", ['calls' => $some])->throw();
        }
    }

    private static function isTooFast(\Throwable $trouble): bool
    {
        return $trouble instanceof RequestException && $trouble->response->status() === 429;
    }
}
