<?php

declare(strict_types=1);

namespace Jaunty\Core\Outbound;

use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;

/** Somebody's call for help: what of it goes out, and which number whoever answers could call back. */
final readonly class HelpCall
{
    /**
     * @param  ?Site  $site  where the caller is, as far as the book says
     * @param  string  $digits  as dialled
     * @param  bool  $isLet  whether it goes out at all
     * @param  string  $shown  in E.164; empty where no number is shown, or the call does not go out
     * @param  string  $whose  the number shown is, in words
     */
    public function __construct(
        public User $user,
        public ?Site $site,
        public string $digits,
        public bool $isLet,
        public string $shown,
        public string $whose,
    ) {
    }
}
