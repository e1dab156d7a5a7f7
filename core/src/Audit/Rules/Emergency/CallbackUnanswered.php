<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Emergency;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\CallbackNumber;
use Jaunty\Core\Audit\Fix;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\CallbackUse;
use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Calls\Law\Outcome;
use Jaunty\Core\Words\Message;

/** The number that help services are shown rings nobody, at some time of the year. */
final readonly class CallbackUnanswered implements Rule
{
    public function about(): About
    {
        return new About(
            'emergency.callback-unanswered',
            Severity::Error,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        foreach ($inspection->callbackNumbers() as $shown) {
            $run = $shown->unanswered[0] ?? null;
            if ($run === null) {
                continue;
            }
            $survey = $inspection->survey();
            $at = $survey->firstInstant($run);
            $outcome = $run->facts->passive ?? Outcome::Loop;
            $through = $inspection->names->said($run->facts->passiveTarget);
            $outside = $shown->backs[0]->outside;
            yield Found::of(
                [
                    'number' => $inspection->names->said($shown->number),
                    'users' => $inspection->names->several($shown->users),
                    'at' => $inspection->day->moment($at),
                    'end' => new Message("outcome/{$outcome->value}", ['who' => $through]),
                    'outside' => $outside === '' ? 'no' : 'yes',
                    'telephone' => $inspection->names->said($outside),
                ],
                $shown->number,
            )->at('destination')->counting(count($shown->users))->shownBy(
                $this->call($inspection, $shown, $at),
            )->fixedBy($this->fix($inspection, $shown));
        }
    }

    /** @return array<string, mixed> */
    private function call(Inspection $inspection, CallbackNumber $shown, int $at): array
    {
        $run = $shown->unanswered[0];
        $end = $run->facts->passive === null
            ? null
            : $inspection->survey()->shortestCall($run, "{$run->facts->passive->value} {$run->facts->passiveTarget}");

        return $end ?? ['to' => $shown->number->key, 'at' => gmdate('Y-m-d\TH:i:s\Z', $at)];
    }

    /**
     * The callback numbers of the callers' sites shown always, where they ring; else another number of the site that
     * does.
     */
    private function fix(Inspection $inspection, CallbackNumber $shown): ?Fix
    {
        $sites = $shown->sites();
        if ($sites === [] || count($sites) !== count(
            array_unique(array_map(static fn ($user): string => (string) $user->site, $shown->users)),
        )) {
            return null;
        }
        $changes = [];
        $better = null;
        foreach ($sites as $site) {
            $callback = $inspection->find($site->emergency->callback, Number::class);
            if (
                $callback !== null && $callback->key !== $shown->number->key && $inspection->isAlwaysAnswered($callback)
            ) {
                $changes[] = Fix::setting($site, 'emergency/callbackUse', CallbackUse::Always->value);

                continue;
            }
            $better = $this->better($inspection, $site);
            if ($better === null) {
                return null;
            }
            $changes[] = Fix::setting($site, 'emergency/callback', (string) Reference::of($better));
            if ($site->emergency->callbackUse !== CallbackUse::Always) {
                $changes[] = Fix::setting($site, 'emergency/callbackUse', CallbackUse::Always->value);
            }
        }

        return Fix::of(
            $better === null
                ? 'Always show the callback number of the site'
                : "Show {$inspection->names->of($better)}, which rings {$inspection->names->of($better->destination)}",
            ...$changes,
        );
    }

    private function better(Inspection $inspection, Site $site): ?Number
    {
        foreach ($inspection->book->all(Number::class) as $number) {
            if ((string) $number->site === (string) Reference::of($site) && $inspection->isAlwaysAnswered($number)) {
                return $number;
            }
        }

        return null;
    }
}
