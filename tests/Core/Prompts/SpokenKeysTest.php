<?php

declare(strict_types=1);

namespace Tests\Core\Prompts;

use Jaunty\Core\Book\Destination;
use Jaunty\Core\Book\Menu;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Prompts\SpokenKeys;
use PHPUnit\Framework\TestCase;
use Tests\Core\Audit\Samples;

/** A script written from a menu's keys tells of those keys and no others, to whoever reads it. */
final class SpokenKeysTest extends TestCase
{
    public function test_what_is_written_is_read_as_the_keys_it_was_written_from(): void
    {
        $all = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '*', '#'];
        for ($bits = 0; $bits < 4096; $bits += 7) {
            $set = array_values(array_filter(
                $all,
                static fn (string $key, int $place): bool => ($bits >> $place & 1) === 1,
                ARRAY_FILTER_USE_BOTH,
            ));
            $menu = self::menu(array_fill_keys($set, ['to' => 'mailbox:desk', 'label' => 'the desk']));
            $script = SpokenKeys::write($menu, static fn (Destination $to): string => (string) $to);

            self::assertEqualsCanonicalizing(
                $set,
                array_map(strval(...), array_keys(SpokenKeys::in($script))),
                $script,
            );
        }
    }

    public function test_a_key_is_called_as_it_says_or_by_where_it_leads(): void
    {
        $script = SpokenKeys::write(
            self::menu(['1' => ['to' => 'mailbox:desk', 'label' => 'orders'], '2' => ['to' => 'mailbox:desk'], '*' => [
                'to' => null,
            ]]),
            static fn (): string => 'the desk',
        );

        self::assertSame('For orders, press 1. For the desk, press 2.', $script);
    }

    /** @param array<array-key, array<string, mixed>> $keys */
    private static function menu(array $keys): Menu
    {
        $menu = Samples::book(['mailboxes' => [['key' => 'desk']], 'menus' => [
            ['key' => 'day', 'keys' => $keys === [] ? (object) [] : $keys],
        ]])->find(Reference::parse('menu:day'));

        return $menu instanceof Menu ? $menu : throw new \LogicException('there is a menu');
    }
}
