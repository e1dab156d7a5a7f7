<?php

declare(strict_types=1);

namespace App\Switching\Table;

use App\Switching\Bindings;
use App\Switching\CallPage;
use App\Switching\SwitchTrouble;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Telephones\Heard;

/**
 * Where the records of a switch are kept and how they are asked for; nothing of what they mean. `$account` is the id of
 * the customer's own record, under which all others lie. Every method may throw SwitchTrouble.
 */
interface Records
{
    /**
     * @param  ?string  $id  of the customer's own record, where it is known
     * @param  string  $key  the customer's, by which a record made anew by hand is found
     *
     * @throws SwitchTrouble
     */
    public function account(?string $id, string $key): ?LiveRecord;

    /** @return list<LiveRecord> */
    public function all(string $account, Kind $kind): array;

    /** @throws RecordGone */
    public function get(string $account, Kind $kind, string $id): LiveRecord;

    /** @param array<string, mixed> $fields */
    public function create(?string $account, Reference $object, array $fields, Errand $errand): LiveRecord;

    /**
     * @param  LiveRecord  $record  which, at which version, and only the fields that are to change
     *
     * @throws StaleRecord
     * @throws RecordGone
     */
    public function change(string $account, Kind $kind, LiveRecord $record, Errand $errand): LiveRecord;

    /** @throws RecordGone */
    public function remove(string $account, Kind $kind, string $id, Errand $errand): void;

    /** @return list<RecordEdit> newest first, as far as the switch keeps them */
    public function edits(string $account): array;

    public function calls(string $account, Bindings $bindings, int $after): CallPage;

    /** @return ?list<Heard> of the telephones that are bound; null where the switch cannot tell */
    public function telephones(string $account, Bindings $bindings): ?array;
}
