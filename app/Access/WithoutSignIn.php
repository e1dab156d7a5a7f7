<?php

declare(strict_types=1);

namespace App\Access;

use App\Time\Clock;
use Illuminate\Database\ConnectionInterface;

/** Work for whoever has a letter and signs in nowhere: functions of the database decide by its code and the time. */
final readonly class WithoutSignIn
{
    public function __construct(private ConnectionInterface $db, private Clock $clock)
    {
    }

    /**
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    public function do(callable $work): mixed
    {
        /** @var T */
        return $this->db->transaction(function () use ($work): mixed {
            $this->db->select("select set_config('app.now', ?, true)", [
                $this->clock->now()->format(\DateTimeInterface::ATOM),
            ]);

            return $work();
        });
    }
}
