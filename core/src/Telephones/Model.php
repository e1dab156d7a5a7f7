<?php

declare(strict_types=1);

namespace Jaunty\Core\Telephones;

/** A model of telephone as the reseller sells it: data, not code. The ones that ship are invented. */
final class Model
{
    /** @var ?list<self> */
    private static ?array $shipped = null;

    /** What a model can do beyond ringing and speaking. */
    public const CAN = ['intercom', 'page', 'hotDesk'];

    /**
     * @param  int  $lines  calls of so many people can ring at it
     * @param  int  $keys  on one page
     * @param  int  $pages  of keys; 0 where it has none to be laid out
     * @param  list<string>  $can  of CAN
     */
    public function __construct(
        public readonly string $key,
        public readonly string $name,
        public readonly int $lines,
        public readonly int $keys,
        public readonly int $pages,
        public readonly array $can,
    ) {
    }

    public function places(): int
    {
        return $this->keys * $this->pages;
    }

    /** @return list<self> as the product comes */
    public static function shipped(): array
    {
        return self::$shipped ??= self::read();
    }

    /** @return list<self> */
    private static function read(): array
    {
        /**
         * @var list<array{key: string, name: string, lines: int, keys: int, pages: int, can: list<string>}> $models
         */
        $models = json_decode(
            (string) file_get_contents(__DIR__ . '/../../data/telephone-models.json'),
            true,
            flags: JSON_THROW_ON_ERROR,
        );

        return array_map(
            static fn (array $each): self => new self(
                $each['key'],
                $each['name'],
                $each['lines'],
                $each['keys'],
                $each['pages'],
                $each['can'],
            ),
            $models,
        );
    }
}
