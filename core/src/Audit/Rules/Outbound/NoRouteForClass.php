<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Found;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;
use Jaunty\Core\Outbound\DialEnd;
use Jaunty\Core\Outbound\DialPlan;
use Jaunty\Core\Outbound\SampleNumber;
use Jaunty\Core\Outbound\SampleNumbers;
use Jaunty\Core\Outbound\Sender;
use Jaunty\Core\Words\Listing;
use Jaunty\Core\Words\Message;

/** People may call abroad by their class, and no route goes there. */
final readonly class NoRouteForClass implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.no-route-for-class',
            Severity::Warning,
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $book = $inspection->book;
        $routes = array_filter($book->all(Route::class), static fn (Route $route): bool => ! $route->emergency);
        if ($routes === []) {
            return;
        }
        $byClass = [];
        foreach ($book->all(User::class) as $user) {
            if ($user->status === UserStatus::Active) {
                $byClass[$user->callingClass->value][] = $user;
            }
        }
        $plan = new DialPlan($book);
        $samples = SampleNumbers::of($book);
        foreach ($byClass as $name => $users) {
            $class = CallingClass::from($name);
            $own = array_values(
                array_filter($samples, static fn (SampleNumber $sample): bool => $sample->kind === $name),
            );
            $goes = array_filter(
                $own,
                static fn (SampleNumber $sample): bool => $plan->route(
                    Sender::ofClass($class),
                    $sample->digits,
                    $inspection->now,
                )->end === DialEnd::Outside,
            );
            $isShut = $own === []
                ? $class === CallingClass::International
                && array_filter($routes, static fn (Route $route): bool => $route->class === $class) === []
                : $goes === [];
            if ($class !== CallingClass::Internal && $isShut) {
                yield Found::of(
                    [
                        'users' => $inspection->names->several($users),
                        'calls' => new Message("calls/{$class->value}"),
                        'n' => count($users),
                        'routes' => count($routes),
                        'samples' => count($own),
                        'tried' => Listing::row(array_map(
                            static fn (SampleNumber $sample): string => "{$sample->digits} ({$sample->said})",
                            $own,
                        )),
                    ],
                    $book->tenant,
                )
                    ->at('region', $name)->counting(count($users));
            }
        }
    }
}
