<?php

declare(strict_types=1);

namespace Tests\Feature\Support;

use App\Http\Middleware\NeedsEdit;
use Illuminate\Http\Request;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Route as Routes;
use PHPUnit\Framework\Assert;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

/** Routes that write, and that each request to one of them leaves one entry in the log: neither none nor two. */
final class WriteRoutes
{
    /** They look at something by another method than GET. */
    private const READS = ['post /settings/connections/try', 'post /joining/look', 'post /where/look'];

    /** Where nothing is otherwise than before there is nothing to tell. */
    private const MAY_CHANGE_NOTHING = [
        'put /settings', 'post /customers/{customer}/findings/fixes', 'delete /api-tokens/{token}',
        'delete /people/grants/{grant}', 'delete /people/invitations/{invitation}',
    ];

    /** The book follows what the carrier does, and that is an entry of its own. */
    private const THE_BOOK_FOLLOWS = ['post /customers/{customer}/ports/{port}/answer'];

    /** @var array<string, true> in this process, with one entry each */
    private static array $seen = [];

    /** @return list<string> */
    public static function unseen(): array
    {
        return array_values(array_filter(self::all(), static fn (string $name): bool => ! isset(self::$seen[$name])));
    }

    public static function forget(): void
    {
        self::$seen = [];
    }

    /** @return list<string> such as `post /stock` */
    public static function all(): array
    {
        $all = [];
        foreach (Routes::getRoutes()->getRoutes() as $route) {
            foreach (array_intersect($route->methods(), ['POST', 'PUT', 'DELETE']) as $method) {
                if (self::writes($method, $route)) {
                    $all[] = self::name($method, $route);
                }
            }
        }
        sort($all);

        return $all;
    }

    public static function check(string $method, string $path, int $entries): void
    {
        if (! in_array($method, ['POST', 'PUT', 'DELETE'], true)) {
            return;
        }
        try {
            $route = Routes::getRoutes()->match(Request::create($path, $method));
        } catch (HttpExceptionInterface) {
            return;
        }
        if (! self::writes($method, $route)) {
            return;
        }
        $name = self::name($method, $route);
        if (in_array($name, self::MAY_CHANGE_NOTHING, true)) {
            Assert::assertLessThanOrEqual(1, $entries, "{$name} left {$entries} entries in the log");
        } elseif (in_array($name, self::THE_BOOK_FOLLOWS, true)) {
            Assert::assertContains($entries, [1, 2], "{$name} left {$entries} entries in the log");
        } else {
            Assert::assertSame(1, $entries, "{$name} left {$entries} entries in the log");
        }
        if ($entries > 0) {
            self::$seen[$name] = true;
        }
    }

    private static function writes(string $method, Route $route): bool
    {
        return str_starts_with($route->uri(), 'api/')
            && ! str_contains($route->uri(), '{unknown}')
            && ! in_array(NeedsEdit::class, $route->excludedMiddleware(), true)
            && ! in_array(self::name($method, $route), self::READS, true);
    }

    private static function name(string $method, Route $route): string
    {
        return strtolower($method) . ' ' . substr($route->uri(), 3);
    }
}
