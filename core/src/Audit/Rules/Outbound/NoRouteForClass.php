<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit\Rules\Outbound;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\Samples;
use Jaunty\Core\Audit\Severity;
use Jaunty\Core\Book\CallingClass;
use Jaunty\Core\Book\Route;
use Jaunty\Core\Book\User;
use Jaunty\Core\Book\UserStatus;

/** People may call abroad by their class, and no route goes there. */
final readonly class NoRouteForClass implements Rule
{
    public function about(): About
    {
        return new About(
            'outbound.no-route-for-class',
            Severity::Warning,
            'Users have the international class, and no route is for international calls.',
            'Their calls abroad fail, and nobody knows why: the class says that they may.',
            'Make a route for calls abroad, or take the class back.',
            About::MODEL,
        );
    }

    public function check(Inspection $inspection): iterable
    {
        $routes = array_filter($inspection->book->all(Route::class), static fn (Route $route): bool => ! $route->emergency);
        $abroad = array_values(array_filter($inspection->book->all(User::class), static fn (User $user): bool => $user->callingClass === CallingClass::International && $user->status === UserStatus::Active));
        if ($routes !== [] && $abroad !== [] && array_filter($routes, static fn (Route $route): bool => $route->class === CallingClass::International) === []) {
            yield Finding::of($this->about(), "{$inspection->names($abroad)} may call abroad, and no route goes there", 'The widest of ' . count($routes) . ' routes is for national calls.', $inspection->book->tenant)->counting(count($abroad));
        }
    }

    public function samples(): Samples
    {
        $user = static fn (string $class): array => ['key' => 'a', 'name' => ['first' => 'Ines', 'last' => 'Marsh'], 'mailbox' => 'mailbox:a', 'legs' => [['item' => 'desk']], 'callingClass' => $class];

        return Samples::of(['mailboxes' => [['key' => 'a', 'notify' => ['a@inlet.example']]], 'trunks' => [['key' => 'main']], 'routes' => [['key' => 'national', 'digits' => '1xxxxxxxxxx', 'class' => 'national', 'trunks' => ['trunk:main']]], 'users' => [$user('national')]], ['users' => [$user('international')]]);
    }
}
