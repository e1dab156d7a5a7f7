<?php

declare(strict_types=1);

namespace Tests\Browser;

/**
 * A reseller's first day: an empty house of bin/serve, its first lead, and by screens alone to the first customer on a
 * switch. docs/operating.md tells the same.
 */
final class BeginTest extends BrowserTestCase
{
    private const ROOT = __DIR__ . '/../..';

    private const NAME = 'first-day';

    private const PASSWORD = 'seven wet gannets';

    /** @var list<resource> */
    private array $programs = [];

    private string $folder = '';

    private string $address = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir() . '/roster-first-day-' . bin2hex(random_bytes(4));
        mkdir($this->folder);
        [$web, $mail] = [self::freePort(), self::freePort()];
        $this->address = "http://127.0.0.1:{$web}";
        $this->program(['php', self::ROOT . '/tests/Support/post_office.php', (string) $mail, $this->folder]);
        file_put_contents("{$this->folder}/settings.env", implode("\n", [
            "ROSTER_ADDRESS={$this->address}", 'MAIL_HOST=127.0.0.1', "MAIL_PORT={$mail}",
            'MAIL_FROM=desk@harbour-voice.example', 'ROSTER_WORKERS=1', 'ROSTER_WEB_PROCESSES=2', '',
        ]));
        $this->program([self::ROOT . '/bin/serve', "{$this->folder}/settings.env"]);
        self::until(
            fn (): bool => str_contains((string) @file_get_contents("{$this->folder}/said"), 'This house is at'),
            'bin/serve does not come up: ' . @file_get_contents("{$this->folder}/said"),
            patience: 120,
        );
    }

    protected function tearDown(): void
    {
        exec(self::ROOT . '/bin/stop ' . self::NAME . ' 2>&1', $said);
        foreach ($this->programs as $program) {
            proc_terminate($program);
            proc_close($program);
        }
        exec('rm -rf ' . escapeshellarg($this->home()) . ' ' . escapeshellarg($this->folder));
        parent::tearDown();
    }

    public function test_from_an_empty_database_to_the_first_customer_on_a_switch(): void
    {
        $this->go('/');
        $this->element('[data-testid=sign-in]');
        $this->seeNot('Demo');
        $this->begin();
        $this->setAPassword();
        $this->see('Harbour Voice');
        $this->see('Name a switch');
        $this->assertAccessible('First steps');
        $this->nameASwitchAndACarrier();
        $this->putNumbersIntoStock();
        $this->takeOn();
        $this->push();
        $this->lookAround();
        $this->assertQuietConsole();
        $this->nothingOfTheDemoIsThere();
    }

    protected function go(string $path): void
    {
        $this->browser->get(str_starts_with($path, 'http') ? $path : $this->address . $path);
    }

    private function begin(): void
    {
        $begin = [
            '--reseller=Harbour Voice', '--lead=nora@harbour-voice.example', '--name=Nora Tern', '--region=CA-NS',
            '--zone=America/Halifax',
        ];
        [$code, $said] = $this->artisan(
            ['roster:begin', '--no-interaction', '--zone=Halifax', ...array_slice($begin, 0, 4)],
        );
        self::assertSame(2, $code);
        self::assertStringContainsString('--zone "Halifax": No time zone', $said);

        [$code, $said] = $this->artisan(['roster:begin', '--no-interaction', ...$begin]);
        self::assertSame(0, $code, $said);
        self::assertStringContainsString('A letter went to nora@harbour-voice.example', $said);

        [$code, $said] = $this->artisan(['roster:begin', '--no-interaction', ...$begin]);
        self::assertSame(2, $code);
        self::assertStringContainsString('the house of Harbour Voice already', $said);
    }

    private function setAPassword(): void
    {
        $letter = quoted_printable_decode((string) file_get_contents("{$this->folder}/001.eml"));
        self::assertStringContainsString('To: nora@harbour-voice.example', $letter);
        self::assertStringContainsString('desk@harbour-voice.example', $letter);
        self::assertSame(1, preg_match('~http://\S+/new-password#[\w-]{32}~', $letter, $found));
        $this->go($found[0]);
        $this->type('input[name=password]', self::PASSWORD);
        $this->press('Set it');
        $this->see('Sign in');
        $this->go('/');
        $this->type('input[name=signIn]', 'nora@harbour-voice.example');
        $this->type('input[name=password]', self::PASSWORD);
        $this->click('[data-testid=sign-in]');
        $this->see('Sign out');

        // A letter opens once.
        $this->go($found[0]);
        $this->type('input[name=password]', self::PASSWORD . ' more');
        $this->press('Set it');
        $this->see('not open any more');
        $this->go('/');
    }

    private function nameASwitchAndACarrier(): void
    {
        $token = trim((string) file_get_contents(getenv('HOME_DIR') . '/secrets/standin'));
        $this->press('Name a switch');
        $this->see('No switch yet');
        $this->press('Add a switch');
        $this->type('input[name=switchName]', 'coast');
        $this->type('input[name=switchUrl]', 'http://127.0.0.1:' . getenv('SWITCH_PORT'));
        $this->type('input[name=switchToken]', 'a guess');
        $this->press('Try it', 'table');
        $this->see('refused', 'table');
        $this->type('input[name=switchToken]', $token);
        $this->press('Try it', 'table');
        $this->see('answers as it should', 'table');
        $this->type('input[name=carrierUrl]', 'http://127.0.0.1:' . getenv('CARRIER_PORT'));
        $this->type('input[name=carrierToken]', $token);
        $this->assertAccessible('Settings');
        $this->press('Keep', 'form:nth-of-type(2)');
        $this->see('Kept, and in the log');
        $this->see('new customers go here');
        self::assertStringNotContainsString($token, $this->browser->getPageSource());
    }

    private function putNumbersIntoStock(): void
    {
        $this->go('/numbers');
        $this->see('Order some from the carrier');
        $this->press('Order from the carrier');
        $this->type('input[name=prefix]', '1902555');
        $this->type('input[name=count]', '2');
        $this->press('Look');
        $this->see('Order 2 numbers for');
        $this->assertAccessible('Numbers');
        $this->click('.offers + .send button');
        $this->see('2 numbers ordered.');
        $this->see('all (2)');
        $this->press('Put in by list');
        $this->type('textarea[name=list]', "902 555 9100 to 9102\nnothing");
        $this->press('Look');
        $this->see('to +1 902 555 9102, 3 numbers');
        $this->press('Put 3 numbers into stock');
        $this->see('3 numbers put into stock.');
        $this->press('Take them out again');
        $this->see('3 numbers taken out again.');
    }

    private function takeOn(): void
    {
        $this->go('/taking-on');
        $this->press('Begin with this', '[data-testid=template-one-line-office]');
        $this->type('input[name=name]', 'Guillemot Chandlery');
        $this->choose('input[name=zone]', 'Halifax', 'America/Halifax');
        $this->choose('input[name=mainNumber]', '902', '+1 902 555');
        $this->type('input[name=messages]', 'Ines Marsh');
        $this->see('7 objects');
        $this->click('[data-testid=enter]');
        $this->see('Nothing of it is on the switch yet.');
    }

    private function push(): void
    {
        $this->press('Push', '.chapters');
        $this->click('[data-testid=push]');
        $this->see('done; read back and the same', '[data-testid=last-push]');
    }

    /** What was done is told, and how everything is: mail answers, no night has been yet. */
    private function lookAround(): void
    {
        $this->go('/activity');
        foreach (['push asked for', 'asked for numbers', 'changed settings', 'began this house'] as $what) {
            $this->see($what, '[data-testid=activity]');
        }
        $this->assertAccessible('What was done');
        $this->go('/health');
        $this->see('nothing was audited by night yet');
        $this->assertAccessible('Health');
        $this->go('/break-glass');
        $this->see('Every lead has a letter');
        $this->assertAccessible('Break the glass');
    }

    private function nothingOfTheDemoIsThere(): void
    {
        [$code, $said] = $this->artisan(['roster:demo']);
        self::assertNotSame(0, $code);
        self::assertStringContainsString('not defined', $said);
        [, $said] = $this->artisan(['list', '--raw']);
        self::assertStringNotContainsString('roster:demo', $said);
        self::assertStringNotContainsString('saltmarsh', (string) file_get_contents("{$this->home()}/app.env"));
    }

    private function home(): string
    {
        return dirname((string) realpath((string) getenv('HOME_DIR'))) . '/' . self::NAME;
    }

    /**
     * @param  list<string>  $arguments
     * @return array{int, string}
     */
    private function artisan(array $arguments): array
    {
        exec('cd / && ROSTER_HOME=' . escapeshellarg($this->home()) . ' php ' . escapeshellarg(self::ROOT . '/artisan')
            . ' ' . implode(' ', array_map(escapeshellarg(...), $arguments)) . ' 2>&1', $said, $code);

        return [$code, implode("\n", $said)];
    }

    /** @param list<string> $command */
    private function program(array $command): void
    {
        $program = proc_open(
            $command,
            [['file', '/dev/null', 'r'], ['file', "{$this->folder}/said", 'a'], ['file', "{$this->folder}/said", 'a']],
            $pipes,
            env_vars: ['ROSTER_SERVE_AS' => self::NAME, 'ROSTER_HOME' => ''] + getenv(),
        );
        self::assertNotFalse($program);
        $this->programs[] = $program;
    }

    private static function freePort(): int
    {
        $free = stream_socket_server('tcp://127.0.0.1:0');
        self::assertNotFalse($free);
        $port = (int) substr((string) strrchr((string) stream_socket_get_name($free, false), ':'), 1);
        fclose($free);

        return $port;
    }
}
