<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\User;
use Jaunty\Core\Outbound\HelpCall;

/** Telephones from which nobody can call for help. */
final readonly class EmergencyMissing implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.emergency-missing',
            Severity::Blocker,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $routes = $inspection->book->all(Route::class);
        $stranded = array_values(
            array_filter($inspection->helpCalls(), static fn (HelpCall $call): bool => ! $call->isLet),
        );
        if (array_filter($routes, static fn (Route $route): bool => $route->emergency) === []) {
            if ($routes !== [] || $stranded !== []) {
                yield Found::of(
                    ['n' => count($routes)],
                    $inspection->book->tenant,
                )->at('region');
            }

            return;
        }
        $bySite = [];
        foreach ($stranded as $call) {
            $bySite[$call->site->key ?? ''][] = $call;
        }
        foreach ($bySite as $calls) {
            $site = $calls[0]->site;
            $users = array_map(static fn (HelpCall $call): User => $call->user, $calls);
            yield Found::of(
                [
                    'at' => $site === null ? 'nowhere' : 'site',
                    'site' => $site->name ?? '',
                    'dialled' => $calls[0]->digits === '' ? 'no' : 'yes',
                    'digits' => $calls[0]->digits,
                    'users' => $inspection->names->several($users),
                ],
                $site ?? $inspection->book->tenant,
            )->saying('site')->at($site === null ? 'region' : 'address/country')->counting(count($users));
        }
    }
}
