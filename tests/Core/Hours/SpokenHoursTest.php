<?php

declare(strict_types=1);

namespace Tests\Core\Hours;

use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Schedule;
use Jaunty\Core\Hours\LocalDate;
use Jaunty\Core\Hours\ScheduleClock;
use Jaunty\Core\Hours\SpokenHours;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Core\Books;

final class SpokenHoursTest extends TestCase
{
    #[DataProvider('said')]
    public function test_what_customers_say_is_read_and_said_back(string $said, string $readAs): void
    {
        $read = SpokenHours::read($said, LocalDate::parse('2026-12-01'));

        self::assertSame([[], $readAs], [$read['faults'], $read['readAs']]);
        self::assertNotNull($read['schedule']);
        Schedule::read(Node::of(['key' => 'x'] + $read['schedule']));
    }

    /** @return iterable<string, array{string, string}> */
    public static function said(): iterable
    {
        yield [
            'Mon-Fri eight to five, lunch half past twelve to one',
            'Mon to Fri 08:00 to 12:30 and 13:00 to 17:00; 42 h 30 min a week',
        ];
        yield ['Mon-Fri quarter past 8 to quarter to six', 'Mon to Fri 08:15 to 17:45; 47 h 30 min a week'];
        yield [
            'Mon-Fri 8 to 5, lunch 12:30-1; Sat 9-1 till Christmas',
            'Mon to Fri 08:00 to 12:30 and 13:00 to 17:00; 42 h 30 min a week; until 2026-12-24: '
                . 'Sat 09:00 to 13:00; 4 h a week',
        ];
        yield ['Monday to Friday 08:00-17:00', 'Mon to Fri 08:00 to 17:00; 45 h a week'];
        // As the desk says a week that is there (saidHours.ts).
        yield ['Mon-Fri 08:00-17:00', 'Mon to Fri 08:00 to 17:00; 45 h a week'];
        yield [
            'Mon-Wed 08:00-12:30; Mon-Wed 13:30-17:00',
            'Mon to Wed 08:00 to 12:30 and 13:30 to 17:00; 24 h a week',
        ];
        yield [
            'Mon, Wed, Sun 18:00-06:00',
            'Mon 18:00 to 06:00 the next day; Wed 18:00 to 06:00 the next day; Sun 18:00 to 06:00 the next day; '
                . '36 h a week',
        ];
        yield ['weekdays 8.30am to 5.30pm', 'Mon to Fri 08:30 to 17:30; 45 h a week'];
        yield ['Mon, Wed and Fri 7 to 3', 'Mon 07:00 to 15:00; Wed 07:00 to 15:00; Fri 07:00 to 15:00; 24 h a week'];
        yield ['daily 24 hours', 'round the clock, 168 h a week'];
        yield ["Tue-Sat 1-5\nSun closed", 'Tue to Sat 13:00 to 17:00; 20 h a week'];
        yield ['Fri-Sun 18:00-02:00', 'Fri to Sun 18:00 to 02:00 the next day; 24 h a week'];
        yield ['Mon–Thu 9–12, 1–4', 'Mon to Thu 09:00 to 12:00 and 13:00 to 16:00; 24 h a week'];
        yield [
            'Mon-Thu 8 to 5, Fri 8 to 3; closed for lunch 12:30-1',
            'Mon to Thu 08:00 to 12:30 and 13:00 to 17:00; Fri 08:00 to 12:30 and 13:00 to 15:00; 40 h 30 min a week',
        ];
        yield ['Mon 9am-5pm and Tue 9am-6pm', 'Mon 09:00 to 17:00; Tue 09:00 to 18:00; 17 h a week'];
        yield [
            "Weekdays 9-5, Saturdays 10-2\nLunch break 1-2",
            'Mon to Fri 09:00 to 13:00 and 14:00 to 17:00; Sat 10:00 to 13:00; 38 h a week',
        ];
        $lunch = 'Mon to Thu 08:00 to 12:00 and 13:30 to 17:00; Fri 08:00 to 12:00 and 13:30 to 15:00; '
            . '35 h 30 min a week';
        yield ['Mon-Thu 8-5, Fri 8-3, lunch 12-1:30', $lunch];
        yield ['Mon-Thu 8-5; Fri 8-3; lunch 12-1:30', $lunch];
        yield ['Mon-Thu 8-5, Fri 8-3, closed 12-1:30 for lunch', $lunch];
        yield ['Mon-Thu 8-5, Fri 8-3, closed for lunch from 12 to 1:30 every day', $lunch];
        yield ['M-Th 8-5, F 8-3, lunch 12-1:30', $lunch];
        yield [
            'Mon-Thu 8-5, lunch 12-1, Fri 8-3, no lunch',
            'Mon to Thu 08:00 to 12:00 and 13:00 to 17:00; Fri 08:00 to 15:00; 39 h a week',
        ];
        yield [
            'Mon-Fri 8-5, lunch 12-1; Sat 9-3, lunch 11-11:30',
            'Mon to Fri 08:00 to 12:00 and 13:00 to 17:00; Sat 09:00 to 11:00 and 11:30 to 15:00; 45 h 30 min '
                . 'a week',
        ];
        yield ['Mon-Fri 8-5, no lunch break', 'Mon to Fri 08:00 to 17:00; 45 h a week'];
        yield [
            'Mon-Fri 9-5, closed on public holidays',
            'Mon to Fri 09:00 to 17:00; 40 h a week; public holidays as the calendar has them',
        ];
        yield [
            'Mon-Fri 9-5. Closed on all statutory holidays.',
            'Mon to Fri 09:00 to 17:00; 40 h a week; public holidays as the calendar has them',
        ];
        yield ['Mo-Th 8-5, Fr till 3', 'Mon to Thu 08:00 to 17:00; Fri 08:00 to 15:00; 43 h a week'];
        yield ['Mon-Thu 8 to 5, Fri until 3pm', 'Mon to Thu 08:00 to 17:00; Fri 08:00 to 15:00; 43 h a week'];
        yield ['M-F 9-5', 'Mon to Fri 09:00 to 17:00; 40 h a week'];
        yield ['Tu, Th 10-4', 'Tue 10:00 to 16:00; Thu 10:00 to 16:00; 12 h a week'];
        yield ['9 to 5 Monday to Friday', 'Mon to Fri 09:00 to 17:00; 40 h a week'];
        yield ['8am-noon Saturdays', 'Sat 08:00 to 12:00; 4 h a week'];
        yield [
            'Mon-Fri 8:30am - 12 noon and 1pm - 5pm',
            'Mon to Fri 08:30 to 12:00 and 13:00 to 17:00; 37 h 30 min a week',
        ];
        yield ['Mon-Fri 9-5, closed weekends', 'Mon to Fri 09:00 to 17:00; 40 h a week'];
        yield ['Mon-Fri 9-5, closed on Saturdays and Sundays', 'Mon to Fri 09:00 to 17:00; 40 h a week'];
        yield ['open 24/7', 'round the clock, 168 h a week'];
        yield ['Fri-Sat 18:00 to midnight', 'Fri to Sat 18:00 to 24:00; 12 h a week'];
        yield ['We are open Monday through Friday, 8 a.m. to 5 p.m.', 'Mon to Fri 08:00 to 17:00; 45 h a week'];
        yield [
            'Mon-Fri 9-5 except Wed 9-1',
            'Mon to Tue 09:00 to 17:00; Wed 09:00 to 13:00; Thu to Fri 09:00 to 17:00; 36 h a week',
        ];
        yield ['Mon-Fri 0800-1700', 'Mon to Fri 08:00 to 17:00; 45 h a week'];
        yield ['lundi au vendredi 8h à 17h', 'Mon to Fri 08:00 to 17:00; 45 h a week'];
        yield ['lun-ven 8h30-16h30, fermé de 12h à 13h', 'Mon to Fri 08:30 to 12:00 and 13:00 to 16:30; 35 h a week'];
        yield ['Mon-Fri 8-5, lunch at noon for an hour', 'Mon to Fri 08:00 to 12:00 and 13:00 to 17:00; 40 h a week'];
        yield ['Sat 10-2 until 15 Feb', 'until 2027-02-15: Sat 10:00 to 14:00; 4 h a week'];
    }

    #[DataProvider('unclear')]
    public function test_what_cannot_be_read_is_named_with_what_to_write(string $said, string $part, string $why): void
    {
        $read = SpokenHours::read($said, LocalDate::parse('2026-12-01'));

        self::assertNull($read['schedule']);
        self::assertStringContainsString($part, $read['faults'][0]['text']);
        self::assertStringContainsString($why, $read['faults'][0]['why']);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function unclear(): iterable
    {
        yield 'nothing' => ['', '', 'no days and hours'];
        yield 'no day' => ['8 to 5', '8 to 5', 'no day'];
        yield 'a break of no day' => ['lunch 12-1', 'lunch 12-1', 'no day'];
        yield 'no hours' => ['Mon-Fri', 'Mon-Fri', 'no hours'];
        yield 'an hour no day has' => ['Mon-Fri 8 to 27', 'Mon-Fri', '8 to 27'];
        yield 'words' => ['Mon-Fri early to late', 'Mon-Fri', 'early to late'];
        yield 'a day unknown here' => ['Sat 9-1 till the regatta', 'Sat', 'regatta'];
        yield 'by appointment' => ['Mon-Fri 9-5; Sat by appointment', 'Sat by appointment', 'by appointment'];
        yield 'an end and no beginning' => ['Fri till 3', 'Fri till 3', 'no day before it says when it opens'];
        yield 'one bad clause among good ones' => ['Mon-Fri 8 to 5; Sat 9-', 'Sat 9-', '9-'];
    }

    public function test_saturdays_that_end_with_christmas_end_then(): void
    {
        $read = SpokenHours::read('Mon-Fri 8 to 5; Sat 9-1 till Christmas', LocalDate::parse('2026-12-01'));
        $clock = ScheduleClock::of(
            Schedule::read(Node::of(['key' => 'x'] + (array) $read['schedule'])),
            Books::small(),
            'America/Halifax',
        );
        $at = static fn (string $when): string => $clock->at((int) strtotime("{$when} America/Halifax"));

        self::assertSame(['period:until-1', 'closed', 'closed', 'open'], [
            $at('2026-12-19 10:00'), $at('2026-12-19 14:00'), $at('2026-12-26 10:00'), $at('2026-12-24 10:00'),
        ]);
    }
}
