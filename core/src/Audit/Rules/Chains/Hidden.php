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
use Jaunty\Core\Words\Message;

/** A fallback chain that is never come to, as another forwarding always goes before it. */
final readonly class Hidden implements Rule
{
    public function about(): About
    {
        return new About(
            'chains.hidden',
            Severity::Warning,
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
                        $to = $inspection->names->said($always->outside ?? $always->inside);
                        yield Found::of(
                            [
                                'chain' => $chain->name,
                                'user' => $user->label(),
                                'to' => $to,
                                'condition' => new Message("condition/{$condition}"),
                            ],
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
}
