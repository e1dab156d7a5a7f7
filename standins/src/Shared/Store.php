<?php

declare(strict_types=1);

namespace Standins\Shared;

/** A stand-in's own SQLite file: survives restarts and kill -9 (write-ahead log, every write a transaction). */
final readonly class Store
{
    private \PDO $pdo;

    /** @param string $file a path, or `:memory:` */
    public function __construct(string $file, string $schema)
    {
        $this->pdo = new \PDO(
            "sqlite:{$file}",
            options: [
                \PDO::ATTR_ERRMODE => \PDO::ERRMODE_EXCEPTION,
                \PDO::ATTR_DEFAULT_FETCH_MODE => \PDO::FETCH_ASSOC,
            ],
        );
        $this->pdo->exec('PRAGMA journal_mode = WAL; PRAGMA synchronous = NORMAL; PRAGMA busy_timeout = 5000');
        $this->pdo->exec($schema);
    }

    /**
     * @param  list<int|string|null>  $values
     * @return list<array<string, int|string|null>>
     */
    public function rows(string $sql, array $values = []): array
    {
        $statement = $this->pdo->prepare($sql);
        $statement->execute($values);
        /** @var list<array<string, int|string|null>> $rows */
        $rows = $statement->fetchAll();

        return $rows;
    }

    /**
     * @param  list<int|string|null>  $values
     * @return ?array<string, int|string|null>
     */
    public function row(string $sql, array $values = []): ?array
    {
        return $this->rows($sql, $values)[0] ?? null;
    }

    /**
     * @template T
     *
     * @param  callable(): T  $work
     * @return T
     */
    public function inTransaction(callable $work): mixed
    {
        $this->pdo->exec('BEGIN IMMEDIATE');
        try {
            $result = $work();
            $this->pdo->exec('COMMIT');

            return $result;
        } catch (\Throwable $fault) {
            $this->pdo->exec('ROLLBACK');
            throw $fault;
        }
    }
}
