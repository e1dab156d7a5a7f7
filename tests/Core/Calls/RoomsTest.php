<?php

declare(strict_types=1);

namespace Tests\Core\Calls;

use Jaunty\Core\Book\BookFormat;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The pages of the rooms of Calls say what is so: their example is run, and every class has its line. */
final class RoomsTest extends TestCase
{
    private const CALLS = __DIR__ . '/../../../core/src/Calls';

    #[DataProvider('rooms')]
    public function test_the_example_of_a_room_says_what_its_page_says(string $room): void
    {
        $page = (string) file_get_contents(self::CALLS . "/{$room}/README.md");
        self::assertSame(1, preg_match('/```php\n(.*?)```.*?```text\n(.*?)```/s', $page, $found));
        self::assertSame(
            1,
            preg_match('/```json\n(.*?)```/s', (string) file_get_contents(self::CALLS . '/README.md'), $given),
        );
        $book = BookFormat::fromJson($given[1]);
        $file = (string) tempnam(sys_get_temp_dir(), 'room');
        file_put_contents($file, "<?php\n{$found[1]}");

        ob_start();
        try {
            require $file;
        } finally {
            $said = (string) ob_get_clean();
            unlink($file);
        }

        self::assertSame($found[2], $said);
    }

    #[DataProvider('rooms')]
    public function test_every_class_of_a_room_has_its_line(string $room): void
    {
        $classes = array_map(static fn (string $file): string => basename($file, '.php'), (array) glob(
            self::CALLS . "/{$room}/*.php",
        ));
        preg_match_all('/^\| `(\w+)` \|/m', (string) file_get_contents(self::CALLS . "/{$room}/README.md"), $found);

        self::assertSame($classes, $found[1]);
    }

    /** @return iterable<string, array{string}> */
    public static function rooms(): iterable
    {
        foreach (['Law', 'OneCall', 'AllCalls', 'Year', 'TwoBooks'] as $room) {
            yield $room => [$room];
        }
    }
}
