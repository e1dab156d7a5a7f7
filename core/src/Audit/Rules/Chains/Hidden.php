<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Chains;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Chain;
use Jaunty\Core\Book\Treatment;
use Jaunty\Core\Book\User;

/** A fallback chain that is never come to, as another forwarding always goes before it. */
final readonly class Hidden implements Rule
{
    public function about(): About
    {
        return new About(
            'chains.hidden',
            Severity::Warning,
            'A fallback chain is never tried, because a forwarding always goes before it.',
            'Whoever set the chain up believes that it works; nobody on it will ever ring.',
            'Take the forwarding away, or send it to the chain.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->book->all(User::class) as $user) {
            foreach (
                ['open' => $user->open, 'closed' => $user->closed, 'holiday' => $user->holiday] as $state => $handling
            ) {
                $always = $handling->treatments['always'] ?? null;
                if ($always === null) {
                    continue;
                }
                foreach ($handling->treatments ?? [] as $condition => $treatment) {
                    $chain = $this->hidden($inspection, $always, $treatment, $condition);
                    if ($chain !== null) {
                        $to = $inspection->names->of($always->outside ?? $always->inside);
                        yield Found::of(
                            "{$chain->name}: never tried for {$user->label()}",
                            "All calls go to {$to} before anybody can be {$this->inWords($condition)}.",
                            $user,
                            $chain,
                        )->at("handling/{$state}/always", $state)->fixedBy(
                            Fix::set('Take the forwarding of all calls away', $user, "handling/{$state}/always", null),
                        );
                        break;
                    }
                }
            }
        }
    }

    private function hidden(Inspection $inspection, Treatment $always, ?Treatment $treatment, string $condition): ?Chain
    {
        if ($treatment === null || $condition === 'always') {
            return null;
        }

        return ($always->outside !== null ? $inspection->find($treatment->outside, Chain::class) : null)
            ?? ($always->inside !== null ? $inspection->find($treatment->inside, Chain::class) : null);
    }

    private function inWords(string $condition): string
    {
        return [
            'noAnswer' => 'late to answer', 'busy' => 'busy', 'onACall' => 'on a call', 'unreachable' => 'unreachable',
            'doNotDisturb' => 'not to be disturbed',
        ][$condition] ?? $condition;
    }
}
