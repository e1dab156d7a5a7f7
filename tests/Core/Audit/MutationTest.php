<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\RuleBook;
use PHPUnit\Framework\TestCase;

/**
 * Whether the pages of rules prove them: each rule with one operator turned round, or one path changed, has to find
 * something else than its page says.
 */
final class MutationTest extends TestCase
{
    /** Of operators; the rest make no difference that anybody could see, or one that nobody has thought of yet. */
    private const SHARE = 0.92;

    private const SECONDS = 3;

    public function test_a_rule_that_is_otherwise_finds_something_else(): void
    {
        [$killed, $all, $alive, $alivePaths] = [0, 0, [], []];
        foreach (RuleBook::all() as $rule) {
            $case = RuleCase::of($rule);
            foreach (Mutants::of($rule::class) as $what => [$class, $isPath]) {
                $mutant = new $class();
                self::assertInstanceOf(Rule::class, $mutant);
                $isKilled = self::isKilled($mutant, $case);
                $all += $isPath ? 0 : 1;
                $killed += $isKilled && ! $isPath ? 1 : 0;
                if (! $isKilled && $isPath) {
                    $alivePaths[] = $what;
                } elseif (! $isKilled) {
                    $alive[] = $what;
                }
            }
        }

        self::assertSame([], $alivePaths);
        self::assertGreaterThan(
            self::SHARE,
            $killed / max(1, $all),
            sprintf("%d of %d are noticed; not these:\n%s", $killed, $all, implode("\n", $alive)),
        );
    }

    private static function isKilled(Rule $mutant, RuleCase $case): bool
    {
        if (self::found($mutant, $case->good()) !== [] || self::found($mutant, $case->bad()) !== $case->finds) {
            return true;
        }
        foreach ($case->cases as [$inspection, $finds]) {
            if (self::found($mutant, $inspection) !== $finds) {
                return true;
            }
        }

        return false;
    }

    /** @return ?list<array<string, mixed>> null where it fell over, or went on for ever */
    private static function found(Rule $mutant, Inspection $inspection): ?array
    {
        pcntl_async_signals(true);
        pcntl_signal(SIGALRM, static fn () => throw new \RuntimeException('it goes on for ever'));
        set_error_handler(static fn (int $level, string $message) => throw new \ErrorException($message));
        pcntl_alarm(self::SECONDS);
        try {
            // What rules fell over is told by the auditor, which asks its own rule.
            return array_map(RuleCase::written(...), $mutant->about()->id === 'audit.could-not-look'
                ? array_map(static fn (Found $found): Finding => Finding::of($mutant->about(), $found), [
                    ...$mutant->check($inspection),
                ])
                : (new Auditor([$mutant]))->audit($inspection));
        } catch (\Throwable) {
            return null;
        } finally {
            pcntl_alarm(0);
            restore_error_handler();
        }
    }
}
