<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Calls\AllCalls\Choices;
use Jaunty\Core\Calls\Law\CallBook;
use Jaunty\Core\Calls\Law\Choice;
use Jaunty\Core\Calls\Law\Keypad;
use Jaunty\Core\Calls\Law\NumberRules;
use Jaunty\Core\Calls\Law\Place;
use Jaunty\Core\Calls\Law\State;
use Jaunty\Core\Calls\Law\WayOut;
use Jaunty\Core\Calls\OneCall\Resolver;
use Jaunty\Core\Calls\OneCall\Script;
use Jaunty\Core\Hours\HoursState;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * The law of design 03 section 5 for legs that ring: what every script's world gives at a user, a place or a screened
 * transfer, and the choices there, are the same.
 */
final class RingChoicesTest extends TestCase
{
    private const USER = ['rings', 'answers', 'busy', 'onACall', 'unreachable', 'doNotDisturb'];

    private const OUTSIDE = ['rings', 'answers', 'mailbox', 'off', 'busy'];

    /**
     * @param  list<array<string, mixed>>  $legs
     * @param  array<string, mixed>  $fields  of the user
     */
    #[DataProvider('users')]
    public function test_choices_are_exactly_what_worlds_give(array $legs, array $fields): void
    {
        $book = self::book($legs, $fields);
        $callBook = new CallBook($book, static fn (): string => HoursState::Open->value);
        $numbers = new NumberRules($callBook, 0);
        $choices = new Choices($callBook, new WayOut($callBook), $numbers);
        foreach (self::states() as $state) {
            $found = [];
            foreach (self::worlds($legs) as $world) {
                $script = Script::read(['to' => '201', 'at' => '2026-12-01T10:00', 'world' => $world], $book);
                $resolved = Resolver::of($callBook, $script, new Keypad([], false))->resolve($state, 0);
                $found[trim("{$resolved->event->kind->value} {$resolved->event->detail}")][] = $resolved->second;
            }
            $offered = [];
            foreach ($choices->of($state) as $choice) {
                $offered[trim("{$choice->event->kind->value} {$choice->event->detail}")] = $choice;
            }
            ksort($found);
            ksort($offered);

            self::assertSame(array_keys($found), array_keys($offered), $state->key());
            foreach ($found as $event => $seconds) {
                self::assertGreaterThanOrEqual($offered[$event]->least, min($seconds), "{$event} in {$state->key()}");
                self::assertLessThanOrEqual($offered[$event]->most, max($seconds), "{$event} in {$state->key()}");
            }
            self::assertCount(
                1,
                array_filter($offered, static fn (Choice $choice): bool => $choice->isPassive),
                'what comes of doing nothing is one thing',
            );
        }
    }

    /** @return iterable<string, array{list<array<string, mixed>>, array<string, mixed>}> */
    public static function users(): iterable
    {
        $desk = ['item' => 'desk', 'kind' => 'desk'];
        $app = ['item' => 'app', 'kind' => 'mobileApp', 'seconds' => 12];
        $mobile = [
            'item' => 'mobile', 'kind' => 'outside', 'number' => '+15065550101', 'seconds' => 25, 'mailboxAfter' => 18,
        ];
        $late = [
            'item' => 'late', 'kind' => 'outside', 'number' => '+15065550102', 'seconds' => 15, 'mailboxAfter' => 20,
        ];
        $screened = ['item' => 'screened', 'kind' => 'outside', 'number' => '+15065550103', 'confirm' => true];
        $barred = ['item' => 'barred', 'kind' => 'outside', 'number' => '+44306999001'];
        $empty = ['item' => 'empty', 'kind' => 'outside'];
        foreach (
            [
                'none' => [], 'desk' => [$desk], 'desk and app' => [$desk, $app], 'desk and mobile' => [$desk, $mobile],
                'mobile' => [$mobile], 'late' => [$late], 'screened' => [$screened, $desk], 'barred' => [$barred],
                'barred and desk' => [$desk, $barred], 'a mobile without a number' => [$empty],
                'that and a desk' => [$empty, $desk], 'all' => [$desk, $app, $mobile, $late],
            ] as $name => $legs
        ) {
            foreach (['together', 'inOrder'] as $ring) {
                foreach (
                    ['' => [], ', on a call elsewhere' => ['onACall' => 'release'], ', always elsewhere' => [
                        'always' => 'release',
                    ]] as $also => $treatments
                ) {
                    yield "{$name} {$ring}{$also}" => [$legs, [
                        'handling' => ['open' => ['ring' => $ring] + $treatments],
                    ]];
                }
            }
            yield "{$name}, one line" => [$legs, ['callWaiting' => false]];
            yield "{$name}, suspended" => [$legs, ['status' => 'suspended']];
        }
    }

    /**
     * @return list<State> the user called, offered from a place of a chain, from one too short, and screened by a menu
     */
    private static function states(): array
    {
        return [
            State::at(Place::User, 'user:ana', false, []),
            State::at(Place::Chain, 'chain:nights', false, [], 0),
            State::menu('menu:day', false, [])->screening('user:ana'),
        ];
    }

    /**
     * @param  list<array<string, mixed>>  $legs
     * @return iterable<array<string, string>>
     */
    private static function worlds(array $legs): iterable
    {
        $worlds = array_map(
            static fn (string $state): array => $state === 'rings' ? [] : ['user:ana' => $state],
            self::USER,
        );
        foreach ($legs as $leg) {
            $states = match (true) {
                isset($leg['number']) => array_map(
                    static fn (string $state): array => $state === 'rings'
                        ? []
                        : ["outside:{$leg['number']}" => $state],
                    self::OUTSIDE,
                ),
                $leg['kind'] === 'outside' => [[]],
                default => [[], ["leg:ana/{$leg['item']}" => 'unreachable']],
            };
            $worlds = array_merge(...array_map(
                static fn (array $world): array => array_map(
                    static fn (array $state): array => $world + $state,
                    $states,
                ),
                $worlds,
            ));
        }

        return $worlds;
    }

    /**
     * @param  list<array<string, mixed>>  $legs
     * @param  array<string, mixed>  $fields
     */
    private static function book(array $legs, array $fields): Book
    {
        return BookFormat::fromValue([
            'format' => BookFormat::FORMAT, 'version' => 1, 'tenant' => ['key' => 'inlet', 'zone' => 'America/Halifax'],
            'users' => [
                ['key' => 'ana', 'extension' => '201', 'callingClass' => 'national', 'legs' => $legs] + $fields,
            ],
            'chains' => [['key' => 'nights', 'places' => [['item' => 'a', 'to' => 'user:ana']]]],
            'menus' => [['key' => 'day', 'keys' => ['1' => ['to' => 'user:ana']]]],
            'trunks' => [['key' => 'harbour', 'outsideCallersOut' => true]],
            'routes' => [['key' => 'out', 'digits' => '1xxxxxxxxxx', 'trunks' => ['trunk:harbour']]],
        ]);
    }
}
