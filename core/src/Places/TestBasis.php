<?php

declare(strict_types=1);

namespace Jaunty\Core\Places;

use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Leg;
use Jaunty\Core\Book\LegKind;
use Jaunty\Core\Book\Line;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\Site;
use Jaunty\Core\Book\User;

/**
 * What a test call for help shows to be right together: where the site is, which number is called back, and which
 * telephones stand there. Of anything that is otherwise since, the call says nothing.
 */
final readonly class TestBasis
{
    /**
     * @param  array<string, string>  $address  its parts, those that are set
     * @param  ?string  $callback  the site's own, with whether it is shown always: `+19025550120 whenNone`
     * @param  list<string>  $telephones  each with whom it is of, in order
     */
    public function __construct(public array $address, public ?string $callback, public array $telephones)
    {
    }

    /** @return array<string, self> by the site's key: everybody is looked at once, however many sites there are */
    public static function ofAll(Book $book): array
    {
        $telephones = [];
        foreach ($book->all(User::class) as $user) {
            foreach ($user->legs as $leg) {
                if ($leg->legKind !== LegKind::Outside) {
                    $telephones[(string) $user->site][] = self::telephone($user, $leg);
                }
            }
        }
        foreach ($book->all(Line::class) as $line) {
            $telephones[(string) $line->site][] = (string) Reference::of($line);
        }
        $all = [];
        foreach ($book->all(Site::class) as $site) {
            $here = $telephones[(string) Reference::of($site)] ?? [];
            sort($here);
            $callback = $site->emergency->callback;
            $all[$site->key] = new self(
                self::addressOf($site),
                $callback === null ? null : "{$callback->key} {$site->emergency->callbackUse->value}",
                $here,
            );
        }

        return $all;
    }

    /** @return array<string, string> parts that are set, without spaces around them */
    public static function addressOf(Site $site): array
    {
        return array_filter(
            array_map(static fn (?string $part): string => trim((string) $part), $site->address),
            static fn (string $part): bool => $part !== '',
        );
    }

    /** @return list<'address'|'callback'|'telephones'> in what the other one is otherwise */
    public function changes(self $since): array
    {
        return array_keys(array_filter([
            'address' => self::inOrder($this->address) !== self::inOrder($since->address),
            'callback' => $this->callback !== $since->callback,
            'telephones' => $this->telephones !== $since->telephones,
        ]));
    }

    /**
     * @param  array<string, string>  $address
     * @return array<string, string> parts that are set, however they were kept
     */
    public static function inOrder(array $address): array
    {
        ksort($address);

        return array_filter($address, static fn (string $part): bool => $part !== '');
    }

    private static function telephone(User $user, Leg $leg): string
    {
        return trim(Reference::of($user) . " {$leg->item} {$leg->hardware}");
    }
}
