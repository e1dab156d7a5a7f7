<?php

declare(strict_types=1);

namespace Jaunty\CommandLine\Commands;

use Jaunty\CommandLine\Arguments;
use Jaunty\CommandLine\Command;
use Jaunty\CommandLine\Report;
use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\RuleBook;
use Jaunty\Core\Audit\Threshold;

/** Every audit rule with what it says of itself; `docs/rules.md` is this. */
final class RulesCommand implements Command
{
    public function usage(): string
    {
        return '';
    }

    public function about(): string
    {
        return 'every audit rule: what is wrong, why it matters, how to put it right, and on what it rests';
    }

    public function options(): array
    {
        return [];
    }

    public function run(Arguments $arguments): Report
    {
        $abouts = array_map(static fn (Rule $rule): About => $rule->about(), RuleBook::all());
        usort($abouts, static fn (About $one, About $other): int => $one->id <=> $other->id);
        $text = "# Audit rules\n\nWritten by `bin/roster rules`. A blocker loses calls or emergency calls; with an "
            . "error callers or users get the wrong thing; a\nwarning is a trap; a note is worth a look.\n";
        $area = '';
        foreach ($abouts as $about) {
            if ($about->area() !== $area) {
                $area = $about->area();
                $text .= "\n## {$area}\n";
            }
            $where = $about->countries === [] ? '' : ' Only in ' . implode(', ', $about->countries) . '.';
            $text .= "\n### {$about->id}\n\n**{$about->name()}.** {$about->what()} *{$about->severity->value}*\n\n"
                . "{$about->why()}\n\n"
                . "{$about->remedy()}{$where}\n\n"
                . implode('', array_map(self::threshold(...), $about->thresholds))
                . "Rests on {$about->source}.\n";
        }

        return new Report($text, array_map(static fn (About $about): array => [
            'id' => $about->id, 'name' => $about->name(), 'severity' => $about->severity->value,
            'what' => $about->what(), 'why' => $about->why(),
            'remedy' => $about->remedy(), 'source' => $about->source, 'countries' => $about->countries,
            'thresholds' => array_map(
                static fn (Threshold $threshold): string => $threshold->value,
                $about->thresholds,
            ),
        ], $abouts), false);
    }

    private static function threshold(Threshold $threshold): string
    {
        return "{$threshold->what()}: {$threshold->standard()} {$threshold->unit()} where nothing else is set. "
            . "{$threshold->reason()}\n\n";
    }
}
