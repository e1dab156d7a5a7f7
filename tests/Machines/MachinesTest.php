<?php

declare(strict_types=1);

namespace Tests\Machines;

use App\Security\SessionsInRedis;
use Illuminate\Container\Container;
use Illuminate\Contracts\Auth\Guard;
use Illuminate\Http\Request;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** A house on several machines: what one of them knows all know, and what one of them leaves lying another takes up. */
final class MachinesTest extends TestCase
{
    private const FRONTS = ['front-1', 'front-2'];

    private const CUSTOMERS = 8;

    private const PATIENCE_SECONDS = 180;

    private static House $house;

    public static function setUpBeforeClass(): void
    {
        self::$house = new House();
        try {
            self::$house->begin();
            self::$house->signIn('front-1');
            for ($nth = 1; $nth <= self::CUSTOMERS; $nth++) {
                self::$house->customer("machines-{$nth}", 6);
            }
        } catch (\Throwable $fault) {
            self::$house->end();
            throw $fault;
        }
    }

    public static function tearDownAfterClass(): void
    {
        self::$house->end();
    }

    /**
     * The law: whatever order their transactions begin, ask and end in on connections that they share, nobody sees a
     * customer that is not granted to them, and outside a transaction nobody is anybody.
     */
    public function test_who_asks_never_leaks_to_another_client_of_the_pool(): void
    {
        $theirs = $this->technicians(5);
        $dice = new Randomizer(new Mt19937(2026));
        $clients = array_map(static fn (): \PDO => self::$house->client(), range(1, 24));
        /** @var array<int, array{string, list<string>}> $open who asks, by client */
        $open = [];
        $done = $asked = $backends = [];
        $ended = 0;
        while ($ended < 10_000) {
            $at = $dice->getInt(0, count($clients) - 1);
            $client = $clients[$at];
            if (! isset($open[$at])) {
                if (count($open) === House::POOL) {
                    continue;
                }
                $who = (string) array_keys($theirs)[$dice->getInt(0, count($theirs) - 1)];
                $client->exec("begin; select set_config('app.technician_id', '{$who}', true), "
                    . "set_config('app.now', '2026-12-01T18:05:00Z', true)");
                $open[$at] = [$who, $theirs[$who]];

                continue;
            }
            [$who, $expected] = $open[$at];
            $row = $client->query("select current_setting('app.technician_id') as who, pg_backend_pid() as backend, "
                . "(select string_agg(key, ' ' order by key) from tenants) as keys")->fetch(\PDO::FETCH_ASSOC);
            self::assertSame([$who, implode(' ', $expected)], [$row['who'], (string) $row['keys']]);
            $backends[$row['backend']][$at] = true;
            $client->exec($dice->getInt(0, 4) === 0 ? 'rollback' : 'commit');
            unset($open[$at]);
            $ended++;
            if ($ended % 20 === 0 && count($open) < House::POOL) {
                $row = $client->query("select coalesce(current_setting('app.technician_id', true), '') as who, "
                    . "coalesce(current_setting('app.tenant_id', true), '') as tenant, "
                    . '(select count(*) from tenants) as seen')->fetch(\PDO::FETCH_ASSOC);
                self::assertSame(['', '', 0], [$row['who'], $row['tenant'], $row['seen']]);
            }
        }
        // It would prove nothing on connections of one's own.
        self::assertLessThanOrEqual(House::POOL, count($backends));
        self::assertGreaterThan(20, count(array_values($backends)[0]));
    }

    public function test_a_sign_in_holds_at_every_front_end_and_ends_at_all_of_them(): void
    {
        foreach (self::FRONTS as $front) {
            self::assertSame('Lena Kestrel', $this->got($front, '/api/session')['technician']['name']);
        }
        $open = $this->got('front-2', '/api/sessions')['sessions'];
        self::assertSame([true], array_column($open, 'isHere'));
        self::assertStringStartsWith('127.0.0.1', $open[0]['address']);

        // One of another browser, which the first front end let in, is ended by the second.
        $other = self::$house->inAnotherBrowser('front-1');
        $open = $this->got('front-2', '/api/sessions')['sessions'];
        self::assertCount(2, $open);
        $theirs = array_values(array_filter($open, static fn (array $each): bool => ! $each['isHere']))[0]['id'];
        self::assertSame(204, self::$house->ask('front-2', 'DELETE', "/api/sessions/{$theirs}")[0]);
        self::assertNull($other());
        self::assertCount(1, $this->got('front-1', '/api/sessions')['sessions']);
    }

    public function test_a_session_that_was_ended_stays_ended_while_a_request_of_it_is_under_way(): void
    {
        $guard = $this->createStub(Guard::class);
        $guard->method('id')->willReturn('sol');
        $container = new Container();
        $container->instance(Guard::class, $guard);
        $container->instance(Request::class, Request::create('/', server: ['HTTP_USER_AGENT' => "A browser \xFF"]));
        $sessions = static fn (): SessionsInRedis => new SessionsInRedis(
            self::$house->redisConnection(),
            $container,
            480,
        );
        $sessions()->write('one', 'made at the first request');
        $sessions()->write('two', 'made elsewhere');
        $underWay = $sessions();
        self::assertSame('made at the first request', $underWay->read('one'));

        self::assertCount(2, $sessions()->of('sol', time() - 60));
        self::assertSame(1, $sessions()->end('sol', ['one', 'never there']));
        $underWay->write('one', 'as if nothing were');

        self::assertSame('', $sessions()->read('one'));
        self::assertSame(['two'], array_column($sessions()->of('sol', 0), 'id'));
        // Begun anew under another name by signing in, it is one again.
        $underWay->setExists(false);
        $underWay->write('three', 'after signing in');
        self::assertSame(['three', 'two'], self::sorted(array_column($sessions()->of('sol', 0), 'id')));
    }

    /**
     * @param  list<string>  $texts
     * @return list<string>
     */
    private static function sorted(array $texts): array
    {
        sort($texts);

        return $texts;
    }

    public function test_nothing_is_lost_while_each_of_them_is_killed_in_turn(): void
    {
        $customers = array_map(static fn (int $nth): string => "machines-{$nth}", range(1, self::CUSTOMERS));
        $edited = array_pop($customers);
        // What is killed while what is asked; each is back before the next one goes.
        $turns = ['worker-1', 'front-1', 'worker-2', 'worker-3', 'front-2'];
        $pushes = [];
        foreach ($customers as $nth => $customer) {
            $pushes[$customer] = $this->put('POST', "/api/customers/{$customer}/pushes", null, $nth)['id'];
            if (isset($turns[$nth - 1])) {
                self::$house->start($turns[$nth - 1]);
            }
            if (isset($turns[$nth])) {
                $this->until('something is under way', fn (): bool => in_array('running', array_map(
                    fn (string $of): string => $this->got(
                        self::FRONTS[($nth + 1) % 2],
                        "/api/customers/{$of}/pushes/{$pushes[$of]}",
                    )['status'],
                    array_keys($pushes),
                ), true), 0.05);
                self::$house->kill($turns[$nth]);
            }
        }
        // An edit of each user, with something else killed around each of them.
        for ($user = 0; $user < 6; $user++) {
            $gone = ['worker-1', 'front-1', 'worker-2', 'front-2', 'redis', 'pool'][$user];
            self::$house->kill($gone);
            if ($gone === 'redis' || $gone === 'pool') {
                // What all of them need: said in so many words, and over when it is back.
                [$status, $problem] = self::$house->ask('front-1', 'GET', '/api/customers');
                self::assertSame([503, 'urn:jaunty-roster:problem:out-of-reach'], [$status, $problem['type']], $gone);
                self::$house->start($gone);
            }
            $this->put('POST', "/api/customers/{$edited}/draft/edits", ['edits' => [
                ['object' => "user:u{$user}", 'path' => 'email', 'value' => "u{$user}@example.org"],
            ]], $user + 1);
            if ($gone !== 'redis' && $gone !== 'pool') {
                self::$house->start($gone);
            }
        }
        $entered = $this->put('POST', "/api/customers/{$edited}/draft/enter", ['note' => 'by two front ends'], 1);

        foreach ($pushes as $customer => $push) {
            $this->until("the push of {$customer} ends", function () use ($customer, $push): bool {
                $state = $this->got(self::FRONTS[0], "/api/customers/{$customer}/pushes/{$push}");
                self::assertNotSame('stopped', $state['status'], (string) $state['reason']);

                return $state['status'] === 'done';
            });
            [, $live] = self::$house->ask('front-2', 'POST', "/api/customers/{$customer}/live/read");
            self::assertSame([true, []], [$live['onSwitch'], $live['differences']], $customer);
        }
        self::assertSame(2, $entered['revision']);
        $emails = array_column(array_filter(
            $this->got('front-2', "/api/customers/{$edited}/desk")['objects'],
            static fn (array $object): bool => $object['kind'] === 'user',
        ), 'fields', 'key');
        $emails = array_column($emails, 'email', 'key');
        self::assertSame('u5@example.org', $emails['u5']);
        self::assertCount(6, array_filter($emails, static fn (?string $mail): bool => str_ends_with(
            (string) $mail,
            '@example.org',
        )));
        self::$house->artisan('roster:verify-log');
    }

    public function test_every_customer_is_audited_once_whatever_is_killed_meanwhile(): void
    {
        foreach ([['worker-1', 'worker-2', 'worker-3'], ['redis'], ['pool'], self::FRONTS] as $turn) {
            $run = $this->put('POST', '/api/audits', null, 0)['run'];
            $this->until('some customer is audited', fn (): bool => $this->progress()['done'] > 0, 0.02);
            foreach ($turn as $gone) {
                self::$house->kill($gone);
                self::$house->start($gone);
            }

            $this->until('the audit ends', fn (): bool => $this->progress()['state'] === 'ended');
            $audited = $this->got('front-2', '/api/audits/latest')['run'];
            self::assertSame($run['id'], $audited['id'], $turn[0]);
            self::assertCount(self::CUSTOMERS, array_unique(array_column($audited['done'], 'customer')), $turn[0]);
            self::assertSame([], array_filter(array_column($audited['done'], 'trouble')), $turn[0]);
        }
    }

    /** @return array{done: int, state: string} */
    private function progress(): array
    {
        return $this->put('GET', '/api/audits/latest/progress', null, 1)['progress'];
    }

    public function test_a_queue_that_lost_its_jobs_is_filled_again(): void
    {
        $workers = ['worker-1', 'worker-2', 'worker-3'];
        foreach ($workers as $worker) {
            self::$house->kill($worker);
        }
        $customer = 'machines-' . self::CUSTOMERS;
        $push = $this->put('POST', "/api/customers/{$customer}/pushes", null, 0)['id'];
        self::$house->redis('flushall');
        foreach ($workers as $worker) {
            self::$house->start($worker);
        }
        // Whoever was signed in by Redis is not any more.
        self::assertSame(401, self::$house->ask('front-1', 'GET', '/api/customers')[0]);
        self::$house->comeBack('front-2');

        $this->until('it is taken up', static fn (): bool => ! str_starts_with(
            trim(self::$house->artisan('roster:take-up')),
            '0 ',
        ), 2.0);
        $this->until('the push ends', fn (): bool => $this->got(
            'front-1',
            "/api/customers/{$customer}/pushes/{$push}",
        )['status'] === 'done');
        self::assertStringContainsString('0 taken up', self::$house->artisan('roster:take-up'));
    }

    /** The last of them: what was one table is many, and nobody but the database knows. */
    public function test_tables_cut_into_partitions_hold_the_same_by_the_same_names_and_hide_the_same(): void
    {
        $customer = 'machines-1';
        $seen = fn (): array => [
            self::$house->artisan('roster:export', $customer, '--as=lena@saltmarsh.example'),
            $this->got('front-1', "/api/customers/{$customer}/revisions"),
            $this->got('front-2', '/api/findings/rows?from=0'),
            $this->got('front-2', "/api/customers/{$customer}/live")['differences'],
        ];
        [$before, $names] = [$seen(), $this->catalogue()];
        self::assertGreaterThan(100, count($names));

        self::assertStringContainsString(
            'objects: ',
            self::$house->artisan('roster:partition', '--parts=4'),
        );

        self::assertSame($before, $seen());
        self::assertSame($names, $this->catalogue());
        $parts = self::$house->owner()->query(
            'select count(*) from pg_inherits i join pg_class c on c.oid = i.inhrelid '
                . "where c.relkind = 'r' and c.relrowsecurity and c.relforcerowsecurity",
        )->fetchColumn();
        self::assertSame(4 * 9, $parts);
        // Nothing is there for whoever has no grant, by whatever name it is asked for.
        $client = self::$house->client();
        self::assertSame(0, $client->query('select count(*) from objects')->fetchColumn());
        try {
            $client->query('select * from objects_p0');
            self::fail('a partition can be read by its own name');
        } catch (\PDOException $refused) {
            self::assertSame('42501', $refused->getCode());
        }

        $this->put('POST', "/api/customers/{$customer}/draft/edits", ['edits' => [
            ['object' => 'user:u1', 'path' => 'email', 'value' => 'cut@example.org'],
        ]], 0);
        $this->put('POST', "/api/customers/{$customer}/draft/enter", ['note' => null], 1);
        $push = $this->put('POST', "/api/customers/{$customer}/pushes", null, 0)['id'];
        $this->until('the push ends', fn (): bool => $this->got(
            'front-2',
            "/api/customers/{$customer}/pushes/{$push}",
        )['status'] === 'done');
        [, $live] = self::$house->ask('front-1', 'POST', "/api/customers/{$customer}/live/read");
        self::assertSame([], $live['differences']);
        self::$house->artisan('roster:verify-log');
    }

    /** @return list<string> constraints, indexes, policies, triggers and rights of tables, those of partitions apart */
    private function catalogue(): array
    {
        return self::$house->owner()->query(<<<'SQL'
            with ours as (select oid from pg_class where relnamespace = 'public'::regnamespace and not relispartition)
            select conrelid::regclass || ' ' || conname || ' ' || pg_get_constraintdef(oid) from pg_constraint
                where conrelid in (select oid from ours) and conparentid = 0
            union all select replace(pg_get_indexdef(indexrelid), ' ON ONLY ', ' ON ') from pg_index
                where indrelid in (select oid from ours)
            union all select polrelid::regclass || ' ' || polname || ' ' || polcmd::text || polpermissive || ' '
                || polroles::regrole[]::text || ' ' || coalesce(pg_get_expr(polqual, polrelid), '') || ' '
                || coalesce(pg_get_expr(polwithcheck, polrelid), '') from pg_policy
            union all select pg_get_triggerdef(oid) from pg_trigger
                where not tgisinternal and tgparentid = 0 and tgrelid in (select oid from ours)
            union all select c.oid::regclass || ' ' || r.grantee::regrole || ' ' || r.privilege_type || ' '
                || c.relrowsecurity || c.relforcerowsecurity from pg_class c, aclexplode(c.relacl) r
                where c.oid in (select oid from ours) and c.relkind <> 'S' and r.grantee not in (c.relowner, 0)
            order by 1
            SQL)->fetchAll(\PDO::FETCH_COLUMN);
    }

    /** @return array<array-key, mixed> */
    private function got(string $front, string $path): array
    {
        [$status, $answer] = self::$house->ask($front, 'GET', $path);
        self::assertSame(200, $status, $path . ' ' . json_encode($answer));

        return $answer;
    }

    /**
     * As a browser does it whose user tries again: where nobody answers, by the other front end.
     *
     * @param  ?array<string, mixed>  $body
     * @return array<array-key, mixed>
     */
    private function put(string $method, string $path, ?array $body, int $turn): array
    {
        for ($try = 0; $try < 20; $try++) {
            [$status, $answer] = self::$house->ask(self::FRONTS[($turn + $try) % 2], $method, $path, $body);
            if ($status >= 200 && $status < 300) {
                return $answer ?? [];
            }
            // What was not answered may have been done.
            if ($status === 409 && $try > 0 && str_ends_with($path, '/pushes')) {
                return self::$house->ask(self::FRONTS[($turn + $try) % 2], 'GET', $path)[1]['pushes'][0];
            }
            self::assertContains($status, [0, 502, 503], "{$method} {$path}: {$status} " . json_encode($answer));
            self::$house->keep();
            usleep(300_000);
        }
        self::fail("{$method} {$path}: nobody answers");
    }

    private function until(string $what, callable $is, float $pause = 0.5): void
    {
        $end = microtime(true) + self::PATIENCE_SECONDS;
        while (! $is()) {
            if (microtime(true) > $end) {
                self::fail("waited in vain until {$what}");
            }
            self::$house->keep();
            usleep((int) ($pause * 1e6));
        }
    }

    /**
     * Technicians with some of the customers granted to each.
     *
     * @return array<string, list<string>> keys by technician, in order
     */
    private function technicians(int $count): array
    {
        $owner = self::$house->owner();
        $lead = $owner->query('select id from technicians limit 1')->fetchColumn();
        $theirs = [];
        for ($nth = 0; $nth < $count; $nth++) {
            $id = sprintf('00000000-0000-4000-8000-%012d', $nth + 1);
            $owner->exec("insert into technicians (id, sign_in, name, initials, password, lead) values "
                . "('{$id}', 't{$nth}@saltmarsh.example', 'Technician {$nth}', 'T{$nth}', '', false)");
            $keys = array_map(
                static fn (int $of): string => 'machines-' . (1 + ($nth + $of) % self::CUSTOMERS),
                range(0, $nth),
            );
            sort($keys);
            $list = "'" . implode("','", $keys) . "'";
            $owner->exec("begin; select set_config('app.technician_id', '{$lead}', true); insert into grants "
                . "(id, technician_id, tenant_id, ability, given_by) select gen_random_uuid(), '{$id}', t.id, 'read', "
                . "'{$lead}' from tenants t where t.key in ({$list}); commit");
            $theirs[$id] = $keys;
        }

        return $theirs;
    }
}
