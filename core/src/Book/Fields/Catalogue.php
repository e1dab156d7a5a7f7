<?php

declare(strict_types=1);

namespace Jaunty\Core\Book\Fields;

use Jaunty\Core\Book\Kind;

/** Every field of every kind, at every depth. */
final class Catalogue
{
    /** @var ?list<string> */
    private static ?array $left = null;

    /**
     * @return array<string, Field> by path from the object; `*` stands for an item of a list, and what has fields
     *     inside
     *                              stands before them
     */
    public static function of(Kind $kind): array
    {
        return self::within('', Fields::of($kind->class())->named());
    }

    /**
     * @return list<string> as kind and path (`user.handling/open/always`): what is the customer's own unless their book
     *     says otherwise
     */
    public static function left(): array
    {
        return self::$left ??= self::those(static fn (Field $field, string $name): bool => $field->left !== null && (
            $field->left === [] || in_array($name, $field->left, true)
        ));
    }

    /** @return list<string> as kind and path: what is kept sealed, apart from the book */
    public static function secrets(): array
    {
        return self::those(static fn (Field $field): bool => $field->isSecret);
    }

    /**
     * @param  \Closure(Field, string): bool  $is  takes the field and the last step of its path
     * @return list<string>
     */
    private static function those(\Closure $is): array
    {
        $those = [];
        foreach (Kind::cases() as $kind) {
            foreach (self::of($kind) as $path => $field) {
                if ($is($field, substr("/{$path}", (int) strrpos("/{$path}", '/') + 1))) {
                    $those[] = "{$kind->value}.{$path}";
                }
            }
        }

        return $those;
    }

    /**
     * @param  array<string, Field>  $fields
     * @return array<string, Field>
     */
    private static function within(string $before, array $fields): array
    {
        $all = [];
        foreach ($fields as $name => $field) {
            $all["{$before}{$name}"] = $field;
            $all += match (true) {
                $field instanceof Part => self::within("{$before}{$name}/", ($field->class)::fields()),
                $field instanceof Shape => self::within("{$before}{$name}/", $field->fields),
                $field instanceof HasItems => self::within("{$before}{$name}/*/", $field->itemFields()),
                default => [],
            };
        }

        return $all;
    }
}
