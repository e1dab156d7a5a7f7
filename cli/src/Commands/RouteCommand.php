<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Files;
use Jaunty\CommandLine\Misuse;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\ExtensionPlan;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Outbound\DialEnd;
use Jaunty\Core\Outbound\Dialled;
use Jaunty\Core\Outbound\DialPlan;
use Jaunty\Core\Outbound\RouteSaid;
use Jaunty\Core\Outbound\SampleNumber;
use Jaunty\Core\Outbound\SampleNumbers;
use Jaunty\Core\Outbound\Sender;

/**
 * What dialled digits come to, and why each route takes them or not. Found, in the sense of the exit code, is a call
 * that goes nowhere.
 */
final class RouteCommand implements Command
{
    public function usage(): string
    {
        return 'BOOK --extension EXTENSION --dial DIGITS --at WHEN | BOOK --at WHEN';
    }

    public function about(): string
    {
        return 'what an extension gets that dials digits, with a reason for every route; without --dial, a table of '
            . 'sample numbers by calling class';
    }

    public function options(): array
    {
        return ['extension', 'dial', 'at'];
    }

    public function run(Arguments $arguments): Report
    {
        $book = Files::book($arguments->file(0, 'a book'));
        $at = Script::instant(
            $arguments->option('at')
                ?? throw new Misuse('wants --at, such as 2026-12-01T14:05 at the customer, or with an offset'),
            $book->tenant->zone,
        );
        $digits = $arguments->option('dial');
        if ($digits === null) {
            return self::table($book, $at);
        }
        if (preg_match('/^[0-9*#]{1,40}$/D', $digits) !== 1) {
            throw new Misuse("--dial: \"{$digits}\" cannot be dialled; digits, * and # can");
        }
        $extension = $arguments->option('extension') ?? throw new Misuse('wants --extension, of whoever dials');
        $holder = ExtensionPlan::of($book)->reached($extension)
            ?? throw new Misuse("--extension: nobody has {$extension}");
        $dialled = (new DialPlan($book))->route(Sender::of($book, Reference::of($holder)), $digits, $at);

        return new Report(
            self::text($digits, $dialled),
            $dialled->toArray(),
            in_array($dialled->end, [DialEnd::Nowhere, DialEnd::Waits], true),
        );
    }

    private static function text(string $digits, Dialled $dialled): string
    {
        $text = "{$digits} {$dialled->end->words()}: {$dialled->reason}\n";
        if ($dialled->route !== null) {
            $shown = $dialled->callerId === null
                ? ''
                : ', shows '
                . ($dialled->callerId->shown === '' ? '' : "{$dialled->callerId->shown} ")
                . "({$dialled->callerId->whose})";
            $text .= "  sent: {$dialled->sent}"
                . ($dialled->number === null ? '' : ", which is {$dialled->number}")
                . "{$shown}\n";
        }
        $text .= implode('', array_map(static fn (string $remark): string => "  mind: {$remark}\n", $dialled->remarks));

        return $text . implode('', array_map(
            static fn (RouteSaid $said): string => sprintf(
                "  %-24s %-12s %s\n",
                $said->route->name,
                $said->verdict->words(),
                $said->why,
            ),
            $dialled->said,
        ));
    }

    private static function table(Book $book, int $at): Report
    {
        $plan = new DialPlan($book);
        $samples = SampleNumbers::of($book);
        $text = sprintf("%-32s %-18s %s\n", '', 'dialled', implode(
            ' ',
            array_map(
                static fn (CallingClass $class): string => sprintf('%-14s', $class->value),
                CallingClass::cases(),
            ),
        ));
        $rows = [];
        foreach ($samples as $sample) {
            $ends = [];
            foreach (CallingClass::cases() as $class) {
                $ends[$class->value] = $plan->route(Sender::ofClass($class), $sample->digits, $at);
            }
            $text .= rtrim(sprintf('%-32s %-18s %s', $sample->said, $sample->digits, implode(' ', array_map(
                static fn (Dialled $dialled): string => sprintf(
                    '%-14s',
                    $dialled->route->name ?? $dialled->inside?->label() ?? '-',
                ),
                $ends,
            ))))
                . "\n";
            $rows[] = [
                'kind' => $sample->kind, 'said' => $sample->said, 'digits' => $sample->digits,
                'classes' => array_map(static fn (Dialled $dialled): array => $dialled->toArray(), $ends),
            ];
        }
        $help = array_filter($samples, static fn (SampleNumber $sample): bool => $sample->kind === 'emergency');
        $isHelped = array_filter(
            $help,
            static fn (SampleNumber $sample): bool => $plan->route(
                Sender::ofClass(CallingClass::Internal),
                $sample->digits,
                $at,
            )->end === DialEnd::Emergency,
        ) !== [];

        return new Report($text, ['samples' => $rows], $help !== [] && ! $isHelped);
    }
}
