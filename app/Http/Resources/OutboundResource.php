<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Numbering\E164;
use Jaunty\Core\Outbound\Dialled;
use Jaunty\Core\Outbound\DialPlan;
use Jaunty\Core\Outbound\DigitChoice;
use Jaunty\Core\Outbound\RouteClaims;
use Jaunty\Core\Outbound\RouteSaid;
use Jaunty\Core\Outbound\SampleNumber;
use Jaunty\Core\Outbound\SampleNumbers;
use Jaunty\Core\Outbound\Sender;

/** Routes and what they do, for a screen. */
final readonly class OutboundResource
{
    /** @return array<string, mixed> */
    public static function of(Book $book, int $at): array
    {
        $plan = new DialPlan($book);

        return [
            'routes' => array_map(self::claims(...), RouteClaims::of($book)),
            'samples' => array_map(static fn (SampleNumber $sample): array => [
                'kind' => $sample->kind, 'said' => $sample->said, 'digits' => $sample->digits,
                'classes' => array_map(
                    static fn (CallingClass $class): array => ['class' => $class->value]
                        + self::brief($plan->route(Sender::ofClass($class), $sample->digits, $at)),
                    CallingClass::cases(),
                ),
            ], SampleNumbers::of($book)),
        ];
    }

    /** @return array<string, mixed> */
    public static function dialled(Dialled $dialled): array
    {
        return [
            ...self::brief($dialled),
            'read' => $dialled->number === null ? null : self::grouped($dialled->number),
            'inside' => $dialled->inside === null ? null : (string) Reference::of($dialled->inside),
            'trunk' => $dialled->trunk === null ? null : (string) Reference::of($dialled->trunk),
            'callerId' => $dialled->callerId === null
                ? null
                : ['shown' => self::grouped($dialled->callerId->shown), 'whose' => $dialled->callerId->whose],
            'remarks' => $dialled->remarks,
            'routes' => array_map(
                static fn (RouteSaid $said): array => [
                    'route' => (string) Reference::of($said->route), 'verdict' => $said->verdict->value,
                    'words' => $said->verdict->words(), 'why' => $said->why,
                ],
                $dialled->said,
            ),
        ];
    }

    /** @return array<string, mixed> */
    public static function choice(DigitChoice $choice): array
    {
        return [
            'key' => $choice->key, 'said' => $choice->said, 'digits' => $choice->digits,
            'class' => $choice->class->value, 'strip' => $choice->strip,
        ];
    }

    /** A number as it is read; an extension as it is. */
    private static function grouped(string $shown): string
    {
        return str_starts_with($shown, '+') ? E164::parse($shown)->display() : $shown;
    }

    /** @return array<string, mixed> */
    private static function brief(Dialled $dialled): array
    {
        return [
            'end' => $dialled->end->value, 'words' => $dialled->end->words(), 'reason' => $dialled->reason,
            'route' => $dialled->route === null ? null : (string) Reference::of($dialled->route),
            'sent' => $dialled->sent, 'number' => $dialled->number, 'asksPin' => $dialled->asksPin(),
        ];
    }

    /** @return array<string, mixed> */
    private static function claims(RouteClaims $claims): array
    {
        return [
            'route' => (string) Reference::of($claims->route), 'isKnown' => $claims->isKnown,
            'shortest' => $claims->shortest, 'least' => $claims->least, 'most' => $claims->most,
            'shadowedBy' => array_map(
                static fn (Route $route): string => (string) Reference::of($route),
                $claims->shadowedBy,
            ),
            'overlaps' => array_map(
                static fn (array $overlap): array => [
                    'route' => (string) Reference::of($overlap[0]),
                    'digits' => $overlap[1],
                ],
                $claims->overlaps,
            ),
            'left' => $claims->left, 'cutShort' => $claims->cutShort, 'extensions' => $claims->extensions,
            'help' => $claims->help, 'shortCodes' => $claims->shortCodes,
        ];
    }
}
