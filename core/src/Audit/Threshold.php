<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

/** What rules count as too much or too little: settings of the reseller, and of one customer where it differs there. */
enum Threshold: string
{
    case LongestSpanHours = 'longestSpanHours';
    case HolidayNoticeDays = 'holidayNoticeDays';
    case LongestWaitSeconds = 'longestWaitSeconds';
    case WaitPastClosingSeconds = 'waitPastClosingSeconds';
    case MostWaiting = 'mostWaiting';
    case ManyWaiting = 'manyWaiting';
    case TooManyWaiting = 'tooManyWaiting';
    case LongestWrapUpSeconds = 'longestWrapUpSeconds';
    case PendingDays = 'pendingDays';
    case DraftDays = 'draftDays';
    case FewestRings = 'fewestRings';
    case MostRungAtOnce = 'mostRungAtOnce';
    case AddressKeptDays = 'addressKeptDays';
    case MostChoices = 'mostChoices';
    case MostMenusDeep = 'mostMenusDeep';
    case LongestPromptSeconds = 'longestPromptSeconds';
    case ShortestKeyWait = 'shortestKeyWait';
    case ExceptionKeptDays = 'exceptionKeptDays';
    case QuietestPeakDb = 'quietestPeakDb';
    case InvitationDays = 'invitationDays';
    case LineShare = 'lineShare';
    case LongestRoundTripMs = 'longestRoundTripMs';
    case MostJitterMs = 'mostJitterMs';
    case MostLossPermille = 'mostLossPermille';

    /** As it is where nobody sets it. */
    public function standard(): int
    {
        return $this->told()[0];
    }

    /** @return array{int, int} the least and the most that make sense */
    public function range(): array
    {
        return [$this->told()[1], $this->told()[2]];
    }

    public function unit(): string
    {
        return $this->told()[3];
    }

    /** What it bounds, as the name of a field. */
    public function what(): string
    {
        return $this->told()[4];
    }

    /** Why it is what it is where nobody sets it; each is common practice. */
    public function reason(): string
    {
        return $this->told()[5];
    }

    /** @return array{int, int, int, string, string, string} */
    private function told(): array
    {
        return match ($this) {
            self::LongestSpanHours => [
                24, 1, 168, 'hours', 'Longest span of opening hours', 'A shift rarely is longer than a day.',
            ],
            self::HolidayNoticeDays => [
                60, 1, 366, 'days', 'Notice before holidays run out or fall on a weekend',
                'Two billing months are enough to ask the customer.',
            ],
            self::LongestWaitSeconds => [
                60, 10, 600, 's', 'Longest wait for a person, a choice or a mailbox',
                'After a minute many callers have hung up.',
            ],
            self::WaitPastClosingSeconds => [
                300, 30, 3600, 's', 'Longest wait in a queue past closing time',
                'Somebody may stay for five minutes, and not for a quarter of an hour.',
            ],
            self::MostWaiting => [
                50, 1, 1000, 'callers', 'Most callers waiting in one queue',
                'Switches of this size commonly keep no more.',
            ],
            self::ManyWaiting => [
                10, 1, 1000, 'callers', 'Callers waiting in one queue that are many',
                'With two-minute calls and two people, the eleventh waits for ten minutes.',
            ],
            self::TooManyWaiting => [
                20, 2, 1000, 'callers', 'Callers waiting in one queue that are too many for a hunt group',
                'Beyond it somebody has to watch the queue.',
            ],
            self::LongestWrapUpSeconds => [
                75, 1, 900, 's', 'Longest time between two calls of one person', 'A note is written in a minute.',
            ],
            self::PendingDays => [
                1, 0, 60, 'days', 'Days that entered changes wait for a push',
                'Whoever enters in the evening pushes in the morning.',
            ],
            self::DraftDays => [
                7, 0, 90, 'days', 'Days that pending edits lie untouched', 'A week is a holiday; more is forgotten.',
            ],
            self::FewestRings => [3, 1, 20, 'rings', 'Fewest rings of a telephone', 'Nobody gets to it in fewer.'],
            self::MostRungAtOnce => [
                15, 2, 200, 'people', 'Most people that a group rings at once',
                'Switches of this size commonly ring no more.',
            ],
            self::AddressKeptDays => [
                366, 30, 1100, 'days', 'Days until an emergency address is confirmed again',
                'Once a year is asked of nobody too much.',
            ],
            self::MostChoices => [
                5, 1, 12, 'choices', 'Most choices in one menu, ways back and the operator left out',
                'Callers forget the first while they hear the last.',
            ],
            self::MostMenusDeep => [3, 1, 10, 'menus', 'Most menus one behind another', 'Callers lose their way.'],
            self::LongestPromptSeconds => [30, 5, 300, 's', 'Longest prompt of a menu', 'Callers stop listening.'],
            self::ShortestKeyWait => [
                3, 1, 30, 's', 'Shortest wait for a key', 'A caller takes the telephone from the ear to find the key.',
            ],
            self::InvitationDays => [
                3, 1, 30, 'days', 'Days that an invitation waits before it is a finding', 'Long enough for a weekend.',
            ],
            self::ExceptionKeptDays => [
                30, 0, 366, 'days', 'Days that a past exception is kept', 'Somebody may still ask what it was.',
            ],
            self::LineShare => [
                75, 10, 100, '%', 'Share of a site\'s line that calls may take',
                'The rest of the house sends and fetches meanwhile.',
            ],
            self::LongestRoundTripMs => [
                150, 20, 800, 'ms', 'Longest way from a site to the switch and back',
                'Half of it each way leaves as much for packets and buffers of the 150 ms that ITU-T G.114 has.',
            ],
            self::MostJitterMs => [
                30, 1, 200, 'ms', 'Most jitter of a site\'s line', 'Buffers of telephones commonly even out as much.',
            ],
            self::MostLossPermille => [
                10, 0, 100, '‰', 'Most packets lost on a site\'s line', 'Beyond one in a hundred words are missed.',
            ],
            self::QuietestPeakDb => [
                -50, -90, -10, 'dB', 'Quietest peak of a recording', 'Below it nothing is to be heard on a telephone.',
            ],
        };
    }
}
