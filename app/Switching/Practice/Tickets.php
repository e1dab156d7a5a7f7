<?php

declare(strict_types=1);

namespace App\Switching\Practice;

use App\Switching\Bindings;
use App\Switching\SwitchTrouble;
use Jaunty\Core\CallRecords\CallRecord;
use Jaunty\Core\Calls\Law\Outcome;

/** The practice switch's tickets in the book's terms. */
final readonly class Tickets
{
    private const ENDINGS = [
        'taken' => Outcome::Answered, 'far_box' => Outcome::OutsideMailbox, 'boxed' => Outcome::MessageIn,
        'box_full' => Outcome::MessageRefused, 'told' => Outcome::AnnouncementAndRelease,
        'socket_rings' => Outcome::LineRings,
        'dropped' => Outcome::Released, 'engaged' => Outcome::Busy, 'no_way' => Outcome::Refused,
        'mangled' => Outcome::NotDelivered, 'not_yet_ours' => Outcome::OldCarrier, 'unknown' => Outcome::NotInService,
        'grabbed' => Outcome::PickedUp, 'held' => Outcome::Parked, 'called_out' => Outcome::Paged,
        'sat_down' => Outcome::SignedIn, 'at_table' => Outcome::InConference,
        'nowhere' => Outcome::DeadEnd, 'circles' => Outcome::Loop, 'too_far' => Outcome::Overrun,
    ];

    public function __construct(private Bindings $bindings)
    {
    }

    /**
     * @param  array<string, mixed>  $ticket
     * @return array{int, CallRecord} its number, and the call
     *
     * @throws SwitchTrouble
     */
    public function read(array $ticket): array
    {
        $serial = is_string($ticket['id'] ?? null) && preg_match('/^t-(\d+)$/D', $ticket['id'], $found) === 1
            ? (int) $found[1]
            : throw SwitchTrouble::refused('a ticket has no number');
        $whole = static fn (string $field): int => is_int($ticket[$field] ?? null)
            ? $ticket[$field]
            : throw SwitchTrouble::refused("ticket {$serial} has no {$field}");
        $dialled = is_string($ticket['dialled'] ?? null) ? $ticket['dialled'] : '';
        $from = is_string($ticket['from'] ?? null) && ctype_digit($ticket['from']) ? "+{$ticket['from']}" : null;

        return [$serial, new CallRecord(
            $whole('stamp'),
            $from,
            strlen($dialled) > 6 ? "number:+{$dialled}" : "extension:{$dialled}",
            self::ENDINGS[is_string($ticket['ended'] ?? null) ? $ticket['ended'] : '']
                ?? throw SwitchTrouble::refused("ticket {$serial} ended in a way nobody here knows"),
            $this->place($ticket['place'] ?? null),
            $this->places(array_map(
                static fn (mixed $band): array => ['band' => $band],
                is_array($ticket['bands'] ?? null) ? array_values($ticket['bands']) : [],
            )),
            $this->places(array_column(is_array($ticket['rang'] ?? null) ? $ticket['rang'] : [], 'place')),
            $whole('waited'),
            $whole('talked'),
            $dialled,
        )];
    }

    /**
     * @param  list<mixed>  $places
     * @return list<string>
     */
    private function places(array $places): array
    {
        return array_values(array_unique(array_filter(array_map($this->place(...), $places), is_string(...))));
    }

    /** @return ?string a reference, or `outside:+...`; null where the record stands for nothing in the book any more */
    private function place(mixed $place): ?string
    {
        $word = is_array($place) ? array_key_first($place) : null;
        $id = is_array($place) && $word !== null ? $place[$word] : null;
        if (! is_string($id)) {
            return null;
        }
        // A ringer is named behind its person: `p-12/desk`.
        $object = $this->bindings->called(explode('/', $id)[0]);

        return $object !== null ? (string) $object : ($word === 'dial' ? "outside:+{$id}" : null);
    }
}
