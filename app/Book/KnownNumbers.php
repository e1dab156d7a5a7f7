<?php

declare(strict_types=1);

namespace App\Book;

use Illuminate\Database\ConnectionInterface;
use Jaunty\Core\Book\NumberStatus;
use Jaunty\Core\Numbering\E164;

/** What is known of numbers beside the customer in scope: whether they may stand in their book, and why not. */
final readonly class KnownNumbers
{
    public function __construct(private ConnectionInterface $db)
    {
    }

    public function of(string $number): Known
    {
        $row = $this->db->selectOne('select roster_number_known(?) as known', [$number]);

        return is_object($row) && is_string($row->known ?? null) ? Known::from($row->known) : Known::Unknown;
    }

    /**
     * Why a number cannot stand in the customer's book, in words; null where it can.
     *
     * @param  NumberStatus  $as  as which it is to stand there
     */
    public function whyNot(string $number, NumberStatus $as = NumberStatus::Active): ?string
    {
        $known = $this->of($number);

        return $known->mayStand($as) ? null : E164::parse($number)->display() . " {$known->whyNotOurs()}";
    }
}
