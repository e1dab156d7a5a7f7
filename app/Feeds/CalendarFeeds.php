<?php

declare(strict_types=1);

namespace App\Feeds;

use App\Activity\ActivityLog;
use App\Models\CalendarFeed;
use App\Models\PortCase;
use App\Models\Technician;
use App\Ports\PortDesk;
use App\Security\LetterCode;
use App\Time\Clock;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Jaunty\Core\Ics\IcsFile;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Ports\PortEvents;

/**
 * What is to come, for the technician's own calendar program: it signs in nowhere, and knows an address with a code. It
 * is read only, and shows what its technician may see at the moment.
 */
final readonly class CalendarFeeds
{
    private const NAMED = 2;

    public function __construct(private PortDesk $ports, private Clock $clock, private ActivityLog $log)
    {
    }

    public function of(Technician $technician): ?CalendarFeed
    {
        return CalendarFeed::query()->find($technician->id);
    }

    /** @return string its address, which is shown once; the one before shows nothing from then on */
    public function make(Technician $technician): string
    {
        $code = LetterCode::make();
        CalendarFeed::query()->updateOrInsert(
            ['technician_id' => $technician->id],
            ['code_hash' => LetterCode::hash($code), 'made_at' => $this->clock->now(), 'read_at' => null],
        );
        $this->log->note($technician->id, 'made an address for a calendar');
        $home = config('app.url');

        return (is_string($home) ? $home : '') . "/feeds/{$code}.ics";
    }

    public function takeBack(Technician $technician): void
    {
        CalendarFeed::query()->whereKey($technician->id)->delete();
        $this->log->note($technician->id, 'took the address of a calendar back');
    }

    /** @return string an iCalendar file */
    public function read(string $code): string
    {
        $feed = CalendarFeed::query()->where('code_hash', LetterCode::hash($code))->with('technician')->first();
        if ($feed === null || $feed->technician->closed_at !== null) {
            throw new ModelNotFoundException();
        }
        $now = $this->clock->now();
        CalendarFeed::query()->whereKey($feed->technician_id)->update(['read_at' => $now]);
        $events = [];
        foreach ($this->ports->underWay($feed->technician_id) as [$case, , $customer, $zone]) {
            array_push($events, ...PortEvents::of(
                $case->id,
                self::title($case, $customer),
                $case->day,
                $case->wish()->hours,
                $zone,
                $case->state->waitsForUs() ? $case->answer_by : null,
            ));
        }

        return (new IcsFile('UTC', $events, ['X-WR-CALNAME' => 'Jaunty Roster']))->text($now->getTimestamp());
    }

    private static function title(PortCase $case, string $customer): string
    {
        $said = array_map(
            static fn (string $number): string => E164::parse($number)->display(),
            array_slice($case->numbers, 0, self::NAMED),
        );
        $more = count($case->numbers) - count($said);
        $with = $case->wish()->losingCarrier;

        return "{$customer}: " . implode(', ', $said) . ($more > 0 ? " and {$more} more" : '')
            . ($case->direction === 'in' ? ' from ' : ' to ') . ($with === '' ? 'another carrier' : $with)
            . ", {$case->state->inWords()}";
    }
}
