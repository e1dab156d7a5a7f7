<?php

declare(strict_types=1);

namespace Tests\Core\Provisioning;

use Eris\Generators;
use Eris\TestTrait;
use Jaunty\Core\Book\Book;
use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Provisioning\Granularity;
use Jaunty\Core\Provisioning\Planner;
use Jaunty\Core\Provisioning\Step;
use Jaunty\Core\Provisioning\StepKind;
use PHPUnit\Framework\TestCase;
use Tests\Core\Books;

final class PlannerTest extends TestCase
{
    use TestTrait;

    public function test_a_customer_new_to_the_switch_is_built_from_the_ground_up(): void
    {
        $steps = array_map(
            static fn (Step $step): string => "{$step->kind->value} {$step->object}",
            Planner::plan(null, Books::small())->steps,
        );

        self::assertSame([
            'create tenant:inlet', 'create site:office', 'create user:colm', 'create mailbox:ines', 'create user:ines',
            'create number:+19025550150',
            'link tenant:inlet', 'link mailbox:ines',
        ], $steps);
    }

    public function test_working_through_the_sheet_makes_live_the_book_and_never_points_at_what_is_not_there(): void
    {
        $this->limitTo(150)->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed): void {
            $live = Books::random($seed);
            $book = $this->withoutDangling(Books::edited($live, $seed + 1));
            $this->assertBuilds($live, $book);
            $this->assertBuilds(null, $book);
        });
    }

    public function test_the_book_already_there_needs_no_step(): void
    {
        self::assertTrue(Planner::plan(Books::small(), Books::small())->isEmpty());
    }

    public function test_only_what_differs_is_sent_and_what_live_held_goes_with_it(): void
    {
        $live = Books::small();
        $book = $live->with(Books::object(Kind::User, ['key' => 'colm', 'extension' => '203']));

        $steps = Planner::plan($live, $book)->steps;

        self::assertCount(1, $steps);
        self::assertSame(['extension' => '203'], $steps[0]->fields);
        self::assertSame(['extension' => '202'], $steps[0]->expected);
    }

    public function test_what_points_at_a_doomed_object_lets_go_of_it_first(): void
    {
        $live = Books::small();
        $book = $live->with(
            Books::object(Kind::Mailbox, ['key' => 'ines', 'name' => "Ines Marsh's mailbox", 'owner' => 'user:ines']),
        )->without(Reference::parse('user:colm'));

        $steps = array_map(
            static fn (Step $step): string => "{$step->kind->value} {$step->object}",
            Planner::plan($live, $book)->steps,
        );

        self::assertSame(['update mailbox:ines', 'delete user:colm'], $steps);
    }

    public function test_ring_times_are_rounded_up_to_whole_rings_and_whole_rings_are_left_alone(): void
    {
        $rings = new Granularity(ringSeconds: 5);
        $book = Books::small()->with(Books::object(Kind::User, ['key' => 'dara', 'legs' => [
            ['item' => 'a', 'seconds' => 33],
            ['item' => 'b', 'seconds' => 35],
            ['item' => 'c', 'seconds' => 1],
        ]]));

        self::assertSame([35, 35, 5], array_column(
            (array) ($rings->fit($book)->find(Reference::parse('user:dara'))?->toArray()['legs'] ?? []),
            'seconds',
        ));
        self::assertEquals($rings->fit($book), $rings->fit($rings->fit($book)));
        self::assertEquals(Books::small(), (new Granularity(ringSeconds: 1))->fit(Books::small()));
    }

    private function assertBuilds(?Book $live, Book $book): void
    {
        $built = $live ?? Book::of($book->tenant, []);
        $isThere = $live !== null;
        foreach (Planner::plan($live, $book)->steps as $step) {
            $present = $built->find($step->object);
            if ($step->kind === StepKind::Delete) {
                $built = $built->without($step->object);
            } elseif ($step->object->kind === Kind::Tenant && $step->kind === StepKind::Create) {
                self::assertFalse($isThere);
                $isThere = true;
            } else {
                $fields = $step->kind === StepKind::Create
                    ? $step->fields
                    : array_replace(
                        $present?->toArray() ?? self::fail("{$step->object} is changed before it is made"),
                        $step->fields,
                    );
                $id = $book->find($step->object)?->id() ?? $present?->id();
                $built = $built->with(
                    $step->object->kind->read(Node::of(($id === null ? [] : ['id' => $id]) + $fields)),
                );
            }
            foreach ($built->objects() as $object) {
                foreach ($object->links() as $link) {
                    self::assertNotNull(
                        $built->find($link->to),
                        "after {$step->kind->value} {$step->object}, "
                            . Reference::of($object)
                            . " points at {$link->to}",
                    );
                }
            }
        }
        self::assertTrue($isThere);
        self::assertSame([], Diff::between($built, $book)->toArray());
    }

    /** The book with every reference to something that is not there left unset: only such a book can be entered. */
    private function withoutDangling(Book $book): Book
    {
        foreach ([$book->tenant, ...$book->objects()] as $object) {
            $fields = $object->toArray();
            foreach ($object->links() as $link) {
                if ($book->find($link->to) === null) {
                    $fields = \Jaunty\Core\Change\FieldPath::set($fields, $link->path, null);
                }
            }
            $book = $book->with($object->kind()->read(Node::of($fields)));
        }

        return $book;
    }
}
