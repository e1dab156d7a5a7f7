<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use Illuminate\Database\DatabaseManager;

/**
 * Reads the whole log as its owner and says whether every entry is as it was written: 0 where it is, 1 where it is not.
 */
final class VerifyActivity extends Command
{
    private const OF_THE_HOUSE = '00000000-0000-0000-0000-000000000000';

    protected $signature = 'roster:verify-log';

    protected $description = 'Verify that no entry of the log was changed, left out or put in, by its chains';

    public function handle(DatabaseManager $databases, OwnerConnection $owner): int
    {
        $trouble = $owner->open();
        if ($trouble !== null) {
            $this->error($trouble);

            return 2;
        }
        $db = $databases->connection('owner');
        /** @var list<object{chain: string, place: int, why: string}> $broken */
        $broken = $db->select('select chain, place, why from roster_broken_activity()');
        foreach ($broken as $row) {
            $whose = $row->chain === self::OF_THE_HOUSE ? 'the house itself' : "customer {$row->chain}";
            $this->error("Chain of {$whose}, entry {$row->place}: {$row->why}.");
        }
        /** @var object{chains: int, entries: int|string, mark: string} $whole */
        $whole = $db->selectOne("select count(*) as chains, coalesce(sum(length), 0) as entries,
            coalesce(encode(sha256(convert_to(string_agg(chain || ' ' || length || ' ' || hash, ',' order by chain),
                'UTF8')), 'hex'), '-') as mark from activity_chains");
        $verdict = $broken === [] ? 'every one is as it was written' : count($broken) . ' chains are broken';
        $this->line("{$whole->entries} entries in {$whole->chains} chains; {$verdict}. Mark of today: {$whole->mark}");

        return $broken === [] ? self::SUCCESS : self::FAILURE;
    }
}
