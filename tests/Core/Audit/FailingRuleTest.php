<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

use Jaunty\Core\Audit\About;
use Jaunty\Core\Audit\Auditor;
use Jaunty\Core\Audit\Finding;
use Jaunty\Core\Audit\Inspection;
use Jaunty\Core\Audit\Rule;
use Jaunty\Core\Audit\RuleBook;
use Jaunty\Core\Audit\Severity;
use PHPUnit\Framework\TestCase;

/** An audit goes on when a rule falls over a book, and says what nobody could look at. */
final class FailingRuleTest extends TestCase
{
    public function test_the_others_go_on_and_the_failure_is_told(): void
    {
        $book = Samples::book(['menus' => [['key' => 'day']]]);
        $sound = (new Auditor(RuleBook::all()))->audit(new Inspection($book, Samples::NOW));
        $found = (new Auditor([$this->broken(), ...RuleBook::all()]))->audit(new Inspection($book, Samples::NOW));

        self::assertNotSame([], $sound);
        self::assertSame([
            'Nobody could look at menus.no-prompt',
            'A menu has no prompt. Whether that is so here is unknown. It stopped at: no such number.', 'tenant sample',
            'menus.no-prompt',
        ], $this->told($found)[0]);
        self::assertEqualsCanonicalizing(
            array_column($this->told($sound), 0),
            array_column(array_slice($this->told($found), 1), 0),
        );
    }

    public function test_whatever_rules_were_asked_for(): void
    {
        self::assertCount(1, (new Auditor([$this->broken()]))->audit(new Inspection(Samples::book([]), Samples::NOW)));
    }

    public function test_a_book_that_was_mended_is_looked_at_again(): void
    {
        $broken = $this->broken('day');
        $standing = (new Auditor([$broken]))->standing(
            new Inspection(Samples::book(['menus' => [['key' => 'day']]]), Samples::NOW),
        );
        self::assertCount(1, $standing->findings);

        self::assertSame([], $standing->changedTo(Samples::book(['menus' => [['key' => 'night']]]))->findings);
    }

    /**
     * @param  list<Finding>  $found
     * @return list<array{string, string, string, string}>
     */
    private function told(array $found): array
    {
        return array_map(
            static fn (Finding $each): array => [
                $each->title(), $each->detail(), "{$each->objects[0]->kind()->value} {$each->objects[0]->key()}",
                $each->item,
            ],
            $found,
        );
    }

    /** Falls over every book, or over those with a menu of a key. */
    private function broken(?string $menu = null): Rule
    {
        return new class ($menu) implements Rule {
            public function __construct(private readonly ?string $menu)
            {
            }

            public function about(): About
            {
                return new About('menus.no-prompt', Severity::Blocker);
            }

            public function check(Inspection $inspection): iterable
            {
                foreach ($inspection->book->all(\Jaunty\Core\Book\Menu::class) as $menu) {
                    if ($this->menu === null || $menu->key === $this->menu) {
                        throw new \RuntimeException('no such number.');
                    }
                }

                return $this->menu === null ? throw new \RuntimeException('no such number.') : [];
            }
        };
    }
}
