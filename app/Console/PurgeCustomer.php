<?php

declare(strict_types=1);

namespace App\Console;

use App\Access\Leads;
use App\Files\FileStore;
use App\House\House;
use App\Models\Technician;
use App\Time\Clock;
use Illuminate\Console\Command;
use Illuminate\Database\Connection;
use Illuminate\Database\DatabaseManager;
use Jaunty\Core\Book\Stage;

/**
 * Takes a departed customer away, whole: book, history, recordings, calls, papers, log. What is left is that it
 * happened. Run by whoever may read the owner's password, in the name of a lead.
 */
final class PurgeCustomer extends Command
{
    private const UNDONE = 2;

    protected $signature = 'roster:purge {customer : key of a customer who is archived} '
        . '{--as= : the lead in whose name} {--name= : the customer\'s whole name, so that it is no slip} '
        . '{--again : what an older backup brought back}';

    protected $description = 'Purge an archived customer: nothing of theirs is left but that it happened';

    public function handle(
        DatabaseManager $databases,
        OwnerConnection $owner,
        Leads $leads,
        House $house,
        Clock $clock,
        FileStore $files,
    ): int {
        $trouble = $owner->open();
        if ($trouble !== null) {
            return $this->refuse($trouble);
        }
        $db = $databases->connection('owner');
        if ($this->option('again') === true) {
            $this->again($db, $clock);
            $files->sweep();

            return self::SUCCESS;
        }
        $signIn = $this->option('as');
        $lead = is_string($signIn)
            ? Technician::query()->where('sign_in', $signIn)->whereNull('closed_at')->first()
            : null;
        if ($lead === null) {
            return $this->refuse('Say in which lead\'s name: --as=SIGN-IN.');
        }
        $leads->requirePeople($lead);
        $key = $this->argument('customer');
        /** @var ?object{id: string, name: string, stage: string} $customer */
        $customer = $db->selectOne('select id, name, stage from tenants where key = ?', [$key]);
        if ($customer === null) {
            return $this->refuse('There is no customer ' . (is_string($key) ? $key : '') . '.');
        }
        if ($customer->stage !== Stage::Archived->value) {
            return $this->refuse(
                "{$customer->name} is " . str_replace('-', ' ', $customer->stage) . ': only who is archived is purged.',
            );
        }
        if ($this->option('name') !== $customer->name) {
            return $this->refuse("Say the whole name as well, so that it is no slip: --name=\"{$customer->name}\".");
        }
        $told = $db->transaction(static function () use ($db, $customer, $lead, $clock, $house): array {
            $told = self::purged($db, $customer->id, $clock);
            $days = $house->settings()->retention->backups;
            $until = $clock->now()->modify("+{$days} days")->format('Y-m-d');
            $db->insert(
                'insert into activity (technician_id, what, detail, happened_at) values (?, ?, ?, ?)',
                [$lead->id, 'purged a customer', json_encode($told + ['inBackupsUntil' => $until], JSON_THROW_ON_ERROR),
                    $clock->now()->format(\DateTimeInterface::ATOM)],
            );

            return $told + ['until' => $until];
        });
        $files->sweep();
        $this->line("{$customer->name} is purged: " . array_sum(array_filter($told, is_int(...))) . ' rows, and '
            . 'the numbers are free.');
        $until = is_string($told['until']) ? $told['until'] : '';
        $this->line("Backups made before now hold them until {$until}, if they are kept as long as settings say; "
            . 'bin/restore purges them again.');

        return self::SUCCESS;
    }

    /** Whoever was purged, and is back by a backup. */
    private function again(Connection $db, Clock $clock): void
    {
        /** @var list<object{customer: string}> $back */
        $back = $db->select('select p.customer from purged_customers p join tenants t on t.id = p.customer');
        foreach ($back as $row) {
            $db->transaction(static fn (): array => self::purged($db, $row->customer, $clock));
        }
        $this->line(count($back) . ' purged again');
    }

    /** @return array<string, mixed> rows by table, and the last mark of their log */
    private static function purged(Connection $db, string $id, Clock $clock): array
    {
        $row = $db->selectOne('select roster_purge(?, ?) as told', [
            $id, $clock->now()->format(\DateTimeInterface::ATOM),
        ]);
        $told = is_object($row) && is_string($row->told ?? null)
            ? json_decode($row->told, true, flags: JSON_THROW_ON_ERROR)
            : null;

        return is_array($told)
            ? array_filter($told, is_string(...), ARRAY_FILTER_USE_KEY)
            : throw new \RuntimeException('the customer was not there any more');
    }

    private function refuse(string $why): int
    {
        $this->error($why);

        return self::UNDONE;
    }
}
