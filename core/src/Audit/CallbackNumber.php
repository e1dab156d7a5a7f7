<?php

declare(strict_types=1);

namespace Jaunty\Core\Audit;

use Jaunty\Core\Book\Number;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;
use Jaunty\Core\Calls\AllCalls\CallBack;
use Jaunty\Core\Calls\Year\Run;

/**
 * A number that help services are really shown, of whom, and what meets them when they call it back, at every kind of
 * time.
 */
final readonly class CallbackNumber
{
    /**
     * @param  non-empty-list<User>  $users  of whose calls for help it is shown
     * @param  list<?Site>  $at  where they are
     * @param  list<Run>  $runs  calls to it over a year
     * @param  list<CallBack>  $all  what meets whoever waits, by run
     * @param  list<Run>  $unanswered  those in which no person's device rings
     * @param  list<CallBack>  $backs  of those
     */
    private function __construct(
        public Number $number,
        public array $users,
        private array $at,
        private array $runs,
        private array $all,
        public array $unanswered,
        public array $backs,
    ) {
    }

    /**
     * @param  non-empty-list<User>  $users
     * @param  list<?Site>  $at
     * @param  list<array{Run, CallBack}>  $runs
     */
    public static function of(Number $number, array $users, array $at, array $runs): self
    {
        $unanswered = array_values(array_filter($runs, static fn (array $run): bool => ! $run[1]->ringsAPerson));

        return new self(
            $number,
            $users,
            $at,
            array_column($runs, 0),
            array_column($runs, 1),
            array_column($unanswered, 0),
            array_column($unanswered, 1),
        );
    }

    /** @return list<Site> where its users are, each once */
    public function sites(): array
    {
        $sites = [];
        foreach ($this->at as $site) {
            if ($site !== null) {
                $sites[$site->key] = $site;
            }
        }

        return array_values($sites);
    }

    /** @return ?array{Run, string} the first kind of time in which something speaks before anybody rings, and what */
    public function heard(): ?array
    {
        foreach ($this->all as $place => $back) {
            if ($back->heard !== '') {
                return [$this->runs[$place], $back->heard];
            }
        }

        return null;
    }
}
