<?php

declare(strict_types=1);

/*
 * Reads a settings file of bin/serve: `settings.php FILE` prints what it says, checked and completed, as lines a shell
 * can read, each name with SET_ in front. What is wrong is said by line, and ends it with 2.
 */

final class Settings
{
    /** As they come, by name. */
    private const USUAL = [
        'ROSTER_ADDRESS' => '', 'ROSTER_LISTEN' => '', 'ROSTER_HOSTS' => '', 'ROSTER_TRUSTED_PROXIES' => '',
        'MAIL_HOST' => '127.0.0.1', 'MAIL_PORT' => '25', 'MAIL_SCHEME' => 'smtp', 'MAIL_USERNAME' => '',
        'MAIL_PASSWORD' => '', 'MAIL_FROM' => 'roster@localhost',
        'DB_HOST' => '', 'DB_PORT' => '', 'DB_DATABASE' => 'roster', 'DB_PASSWORD' => '',
        'DB_OWNER_PASSWORD_FILE' => '', 'DB_POOLED' => 'no', 'DB_DIRECT' => '', 'REDIS_URL' => '',
        'ROSTER_WEB_PROCESSES' => '4', 'ROSTER_WORKERS' => '2',
        'ROSTER_FILES' => '', 'FILES_FOLDER' => '', 'S3_KEY' => '', 'S3_SECRET' => '', 'S3_REGION' => '',
        'S3_BUCKET' => '', 'S3_ENDPOINT' => '',
        'FILE_SWITCHES' => '', 'ROSTER_METRICS_TOKEN' => '',
    ];

    private const NUMBERS = [
        'MAIL_PORT' => [1, 65535], 'DB_PORT' => [1, 65535],
        'ROSTER_WEB_PROCESSES' => [0, 200], 'ROSTER_WORKERS' => [0, 200],
    ];

    private const WORDS = [
        'MAIL_SCHEME' => ['smtp', 'smtps'], 'DB_POOLED' => ['yes', 'no'], 'ROSTER_FILES' => ['', 'folder', 's3'],
    ];

    /** @var array<string, string> */
    private array $values = self::USUAL;

    /** @var array<string, int> */
    private array $lines = [];

    /** @var list<string> */
    private array $faults = [];

    public function __construct(private readonly string $file)
    {
        $text = @file($file, FILE_IGNORE_NEW_LINES);
        if ($text === false) {
            $this->faults[] = "{$file} cannot be read";

            return;
        }
        foreach ($text as $place => $line) {
            $this->read($place + 1, trim($line));
        }
        $this->check();
    }

    /** @return list<string> */
    public function faults(): array
    {
        return $this->faults;
    }

    private function read(int $no, string $line): void
    {
        if ($line === '' || $line[0] === '#') {
            return;
        }
        if (preg_match('/^([A-Z][A-Z0-9_]*)\s*=\s*(.*)$/D', $line, $found) !== 1) {
            $this->fault($no, 'this is no NAME=value');

            return;
        }
        [, $name, $value] = $found;
        if (! isset($this->values[$name])) {
            $this->fault($no, "{$name} is no setting" . self::near($name));

            return;
        }
        if (isset($this->lines[$name])) {
            $this->fault($no, "{$name} is said on line {$this->lines[$name]} already");
        }
        if (preg_match('/^(["\'])(.*)\1$/D', $value, $quoted) === 1) {
            $value = $quoted[2];
        }
        $this->lines[$name] = $no;
        $this->values[$name] = $value;
    }

    private function check(): void
    {
        foreach (self::NUMBERS as $name => [$least, $most]) {
            $value = $this->values[$name];
            if ($value !== '' && (! ctype_digit($value) || (int) $value < $least || (int) $value > $most)) {
                $this->faultOf($name, "wants a whole number from {$least} to {$most}, not \"{$value}\"");
            }
        }
        foreach (self::WORDS as $name => $words) {
            if (! in_array($this->values[$name], $words, true)) {
                $this->faultOf($name, 'is ' . implode(' or ', $words) . ", not \"{$this->values[$name]}\"");
            }
        }
        $address = parse_url($this->values['ROSTER_ADDRESS']);
        if (
            ! is_array($address)
            || ! in_array($address['scheme'] ?? '', ['http', 'https'], true)
            || ($address['host'] ?? '') === ''
            || ! in_array($address['path'] ?? '/', ['/', ''], true)
        ) {
            $this->faultOf('ROSTER_ADDRESS', 'is what people type, such as https://roster.example.com');

            return;
        }
        if ($this->values['ROSTER_LISTEN'] === '') {
            $port = $address['port'] ?? 8420;
            $this->values['ROSTER_LISTEN'] = "127.0.0.1:{$port}";
        } elseif (preg_match('/^(\[[0-9a-fA-F:]+\]|[0-9.]+):\d{1,5}$/D', $this->values['ROSTER_LISTEN']) !== 1) {
            $this->faultOf('ROSTER_LISTEN', 'is an address and a port, such as 127.0.0.1:8420');
        }
        $this->values['ROSTER_HOSTS'] = implode(',', array_unique([
            $address['host'], '127.0.0.1', 'localhost', ...$this->list('ROSTER_HOSTS'),
        ]));
        if ($this->values['DB_HOST'] !== '') {
            foreach (['DB_PASSWORD', 'DB_OWNER_PASSWORD_FILE'] as $name) {
                if ($this->values[$name] === '') {
                    $this->faultOf($name, 'is wanted where DB_HOST names a database of yours');
                }
            }
            $this->values['DB_PORT'] = $this->values['DB_PORT'] === '' ? '5432' : $this->values['DB_PORT'];
        }
        if ($this->values['DB_HOST'] === '' && $this->values['DB_POOLED'] === 'yes') {
            $this->faultOf('DB_POOLED', 'wants DB_HOST and DB_PORT of the pool');
        }
        if (
            $this->values['DB_DIRECT'] !== ''
            && preg_match('/^(\[[0-9a-fA-F:]+\]|[^:\s]+):\d{1,5}$/D', $this->values['DB_DIRECT']) !== 1
        ) {
            $this->faultOf('DB_DIRECT', 'is a host and a port, such as db.example.com:5432');
        }
        $needed = ['folder' => ['FILES_FOLDER'], 's3' => ['S3_KEY', 'S3_SECRET', 'S3_REGION', 'S3_BUCKET']];
        foreach ($needed[$this->values['ROSTER_FILES']] ?? [] as $name) {
            if ($this->values[$name] === '') {
                $this->faultOf($name, "is wanted where ROSTER_FILES is {$this->values['ROSTER_FILES']}");
            }
        }
        if ($this->values['ROSTER_FILES'] === 'folder' && ! str_starts_with($this->values['FILES_FOLDER'], '/')) {
            $this->faultOf('FILES_FOLDER', 'is a whole path, such as /srv/roster');
        }
        $redis = parse_url($this->values['REDIS_URL']);
        if (
            $this->values['REDIS_URL'] !== ''
            && (! is_array($redis) || ! in_array($redis['scheme'] ?? '', ['redis', 'rediss'], true)
                || ($redis['host'] ?? '') === '')
        ) {
            $this->faultOf('REDIS_URL', 'is an address such as redis://:password@10.0.0.5:6379/0');
        }
        if ($this->values['ROSTER_WEB_PROCESSES'] === '0' && $this->values['ROSTER_WORKERS'] === '0') {
            $this->faultOf('ROSTER_WORKERS', 'and ROSTER_WEB_PROCESSES are none: nothing would run here');
        }
        foreach (['ROSTER_TRUSTED_PROXIES'] as $name) {
            foreach ($this->list($name) as $each) {
                if (filter_var(explode('/', $each)[0], FILTER_VALIDATE_IP) === false) {
                    $this->faultOf($name, "\"{$each}\" is no address of a proxy");
                }
            }
        }
    }

    /** @return array<string, string> */
    public function values(): array
    {
        return $this->values;
    }

    /** @return list<string> */
    private function list(string $name): array
    {
        return array_values(array_filter(
            array_map(trim(...), explode(',', $this->values[$name])),
            static fn (string $each): bool => $each !== '',
        ));
    }

    private function faultOf(string $name, string $what): void
    {
        $this->fault($this->lines[$name] ?? null, "{$name} {$what}");
    }

    private function fault(?int $line, string $what): void
    {
        $this->faults[] = $this->file . ($line === null ? '' : ", line {$line}") . ": {$what}";
    }

    private static function near(string $name): string
    {
        foreach (array_keys(self::USUAL) as $known) {
            if (levenshtein($name, $known) <= 3) {
                return "; {$known} is";
            }
        }

        return '';
    }
}

/** @var list<string> $argv */
$settings = new Settings($argv[1] ?? '');
if ($settings->faults() !== []) {
    fwrite(STDERR, implode("\n", $settings->faults()) . "\n");
    exit(2);
}
foreach ($settings->values() as $name => $value) {
    echo "SET_{$name}=" . escapeshellarg($value) . "\n";
}
