<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use Illuminate\Database\Connection;
use Illuminate\Database\DatabaseManager;

/**
 * Cuts the tables that hold what customers have into partitions by customer, PostgreSQL's own, or says what stands in
 * the way. Names, constraints, policies, triggers and rights stay as they were; nothing of the application changes.
 */
final class PartitionByCustomer extends Command
{
    protected $signature = 'roster:partition {--parts=16 : how many partitions each, from 2 to 256}';

    protected $description = 'Cut the large tables into partitions by customer (docs/scaling.md); try a copy first';

    /** What grows with customers, objects and years. */
    private const TABLES = [
        'objects', 'object_links', 'revisions', 'kept_books', 'push_steps', 'live_snapshots', 'findings', 'recordings',
        'call_records',
    ];

    public function handle(DatabaseManager $databases, OwnerConnection $owner): int
    {
        $parts = filter_var($this->option('parts'), FILTER_VALIDATE_INT, [
            'options' => ['min_range' => 2, 'max_range' => 256],
        ]);
        if ($parts === false) {
            $this->error('--parts is a number from 2 to 256.');

            return 2;
        }
        $trouble = $owner->open();
        if ($trouble !== null) {
            $this->error($trouble);

            return 2;
        }
        $db = $databases->connection('owner');
        foreach (self::TABLES as $table) {
            $why = self::inTheWay($db, $table);
            if ($why !== null) {
                $this->error("{$table} {$why}: nothing was changed.");

                return 2;
            }
        }
        $began = hrtime(true);
        $db->transaction(function () use ($db, $parts): void {
            $db->statement("set local statement_timeout to '0'");
            $links = self::links($db);
            // Row security holds for the owner too, who would copy nothing and find no key of a foreign one.
            $forced = self::texts($db, "select oid::regclass::text from pg_class where relkind = 'r' "
                . 'and relforcerowsecurity order by 1');
            foreach ($forced as $table) {
                $db->statement("alter table {$table} no force row level security");
            }
            foreach ($links as $link) {
                $db->statement("alter table {$link['table']} drop constraint {$link['name']}");
            }
            foreach (self::TABLES as $table) {
                $rows = self::cut($db, $table, $parts);
                $this->line("{$table}: {$rows} rows in {$parts} partitions");
            }
            foreach ($links as $link) {
                $db->statement("alter table {$link['table']} add constraint {$link['name']} {$link['is']}");
            }
            foreach ($forced as $table) {
                $db->statement("alter table {$table} force row level security");
            }
        });
        $db->statement('analyze');
        $this->line(sprintf('Done in %.1f s.', (hrtime(true) - $began) / 1e9));

        return self::SUCCESS;
    }

    private static function inTheWay(Connection $db, string $table): ?string
    {
        return match (true) {
            self::texts($db, "select relkind from pg_class where oid = '{$table}'::regclass and relkind <> 'r'") !== []
                => 'is in partitions already',
            self::texts($db, <<<SQL
                select indexrelid::regclass::text from pg_index i where indrelid = '{$table}'::regclass and indisunique
                    and not exists (select 1 from pg_attribute a where a.attrelid = i.indrelid
                        and a.attnum = any(i.indkey) and a.attname = 'tenant_id')
                SQL) !== [] => 'has a key without the customer in it',
            self::texts($db, "select attname from pg_attribute where attrelid = '{$table}'::regclass "
                . "and attidentity <> ''") !== [] => 'numbers its rows by itself',
            default => null,
        };
    }

    /**
     * Foreign keys from or to what is cut: they are made anew.
     *
     * @return list<array{table: string, name: string, is: string}>
     */
    private static function links(Connection $db): array
    {
        $tables = "'" . implode("'::regclass, '", self::TABLES) . "'::regclass";

        return self::rows($db, <<<SQL
            select conrelid::regclass::text as "table", quote_ident(conname) as name, pg_get_constraintdef(oid) as "is"
            from pg_constraint where contype = 'f' and conparentid = 0
                and (conrelid in ({$tables}) or confrelid in ({$tables})) order by conname
            SQL);
    }

    private static function cut(Connection $db, string $table, int $parts): int
    {
        $of = "'{$table}'::regclass";
        // Said before the table is another one: with the names that constraints and indexes have now.
        $after = [
            ...self::texts($db, "select format('alter table {$table} add constraint %I %s', conname, "
                . "pg_get_constraintdef(oid)) from pg_constraint where conrelid = {$of} and contype in ('p', 'u') "
                . 'order by contype, conname'),
            ...self::texts($db, "select pg_get_indexdef(indexrelid) from pg_index i where indrelid = {$of} and not "
                . 'exists (select 1 from pg_constraint c where c.conindid = i.indexrelid) order by 1'),
            ...self::texts($db, "select pg_get_triggerdef(oid) from pg_trigger where tgrelid = {$of} "
                . 'and not tgisinternal order by tgname'),
            ...self::texts($db, "select format('create policy %I on {$table} as %s for %s to %s %s %s', polname, "
                . "case when polpermissive then 'permissive' else 'restrictive' end, case polcmd when 'r' then "
                . "'select' when 'a' then 'insert' when 'w' then 'update' when 'd' then 'delete' else 'all' end, "
                . "case when polroles = '{0}' then 'public' else (select string_agg(quote_ident(rolname), ', ') from "
                . "pg_roles where oid = any(polroles)) end, 'using (' || pg_get_expr(polqual, polrelid) || ')', "
                . "'with check (' || pg_get_expr(polwithcheck, polrelid) || ')') from pg_policy where polrelid = {$of} "
                . 'order by polname'),
            ...self::texts($db, "select format('grant %s on {$table} to %I', privilege_type, grantee::regrole) from "
                . "pg_class, aclexplode(relacl) where oid = {$of} and grantee <> relowner and grantee <> 0 order by 1"),
            ...self::texts($db, "select format('comment on table {$table} is %L', obj_description({$of})) "
                . "where obj_description({$of}) is not null"),
            ...self::texts($db, "select format('alter sequence %s owned by {$table}.%I', d.objid::regclass, a.attname) "
                . "from pg_depend d join pg_attribute a on a.attrelid = d.refobjid and a.attnum = d.refobjsubid "
                . "join pg_class s on s.oid = d.objid and s.relkind = 'S' where d.refobjid = {$of}"),
        ];
        $columns = implode(', ', self::texts($db, 'select quote_ident(attname) from pg_attribute where '
            . "attrelid = {$of} and attnum > 0 and not attisdropped and attgenerated = '' order by attnum"));
        $db->statement("create table {$table}_cut (like {$table} including all excluding indexes) "
            . 'partition by hash (tenant_id)');
        for ($part = 0; $part < $parts; $part++) {
            $db->statement("create table {$table}_p{$part} partition of {$table}_cut for values with "
                . "(modulus {$parts}, remainder {$part})");
            // Asked for by its own name it shows nothing.
            $db->statement("alter table {$table}_p{$part} enable row level security");
            $db->statement("alter table {$table}_p{$part} force row level security");
        }
        $rows = $db->affectingStatement("insert into {$table}_cut ({$columns}) select {$columns} from {$table}");
        foreach (self::texts($db, "select format('alter sequence %s owned by none', d.objid::regclass) from "
            . "pg_depend d join pg_class s on s.oid = d.objid and s.relkind = 'S' where d.refobjid = {$of}") as $free) {
            $db->statement($free);
        }
        $db->statement("drop table {$table}");
        $db->statement("alter table {$table}_cut rename to {$table}");
        $db->statement("alter table {$table} enable row level security");
        foreach ($after as $statement) {
            $db->statement($statement);
        }

        return $rows;
    }

    /** @return list<string> */
    private static function texts(Connection $db, string $query): array
    {
        $texts = [];
        foreach ($db->select($query) as $row) {
            $text = is_object($row) ? current(get_object_vars($row)) : null;
            if (is_string($text)) {
                $texts[] = $text;
            }
        }

        return $texts;
    }

    /** @return list<array{table: string, name: string, is: string}> */
    private static function rows(Connection $db, string $query): array
    {
        /** @var list<object{table: string, name: string, is: string}&\stdClass> $rows */
        $rows = $db->select($query);

        return array_map(static fn (object $row): array => [
            'table' => $row->table, 'name' => $row->name, 'is' => $row->is,
        ], $rows);
    }
}
