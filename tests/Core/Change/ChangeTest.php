<?php

declare(strict_types=1);

namespace Tests\Core\Change;

use Jaunty\Core\Book\Kind;
use Jaunty\Core\Book\Node;
use Jaunty\Core\Book\Reference;
use Jaunty\Core\Book\UnusableBook;
use Jaunty\Core\Change\ChangeError;
use Jaunty\Core\Change\ChangeSet;
use Jaunty\Core\Change\Diff;
use Jaunty\Core\Change\FieldPath;
use Jaunty\Core\Change\Merge;
use Jaunty\Core\Change\Operation;
use PHPUnit\Framework\TestCase;
use Tests\Core\Books;

final class ChangeTest extends TestCase
{
    public function test_paths_name_items_by_key_whatever_their_place(): void
    {
        $legs = ['legs' => [['item' => 'mobile', 'seconds' => 5], ['item' => 'desk', 'seconds' => 20]]];

        self::assertSame(20, FieldPath::get($legs, 'legs/desk/seconds'));
        self::assertNull(FieldPath::get($legs, 'legs/gone/seconds'));
        self::assertSame(
            [['item' => 'mobile', 'seconds' => 5], ['item' => 'desk', 'seconds' => 25]],
            FieldPath::set($legs, 'legs/desk/seconds', 25)['legs'],
        );
        self::assertSame(
            ['desk', 'mobile'],
            FieldPath::get(FieldPath::set($legs, 'legs/#order', ['desk', 'mobile']), 'legs/#order'),
        );
        self::assertSame([['item' => 'desk', 'seconds' => 20]], FieldPath::set($legs, 'legs/mobile', null)['legs']);
    }

    public function test_a_moved_phone_is_one_move_and_an_edited_one_is_one_field(): void
    {
        $before = Books::small();
        $ines = $before->find(Reference::parse('user:ines')) ?? self::fail('no Ines');
        $fields = $ines->toArray();
        $fields['legs'] = array_reverse((array) $fields['legs']);
        $fields = FieldPath::set($fields, 'legs/desk/seconds', 25);

        $operations = Diff::between($before, $before->with(Kind::User->read(Node::of($fields))))->toArray();

        self::assertSame([
            ['op' => 'set', 'object' => 'user:ines', 'path' => 'legs/desk/seconds', 'before' => 20, 'after' => 25],
            [
                'op' => 'move', 'object' => 'user:ines', 'path' => 'legs/#order', 'before' => ['desk', 'mobile'],
                'after' => ['mobile', 'desk'],
            ],
        ], $operations);
    }

    public function test_a_change_that_starts_from_something_else_is_refused(): void
    {
        $change = ChangeSet::of(Operation::set(Reference::parse('user:ines'), 'extension', '200', '210'));

        $this->expectException(ChangeError::class);
        $this->expectExceptionMessage('user:ines/extension is no longer what this change started from');

        $change->applyTo(Books::small());
    }

    public function test_a_value_its_field_cannot_hold_is_named_with_object_and_field(): void
    {
        $change = ChangeSet::of(Operation::set(Reference::parse('user:ines'), 'extension', '201', '2o1'));

        $this->expectException(UnusableBook::class);
        $this->expectExceptionMessage('user:ines.extension: "2o1" is not an extension (digits only)');

        $change->applyTo(Books::small());
    }

    public function test_the_customer_itself_can_be_neither_made_nor_removed(): void
    {
        $this->expectException(ChangeError::class);

        ChangeSet::of(Operation::delete(Books::small()->tenant))->applyTo(Books::small());
    }

    public function test_two_who_change_one_field_clash_and_both_values_are_kept(): void
    {
        $base = Books::small();
        $head = ChangeSet::of(
            Operation::set(Reference::parse('user:ines'), 'legs/desk/seconds', 20, 30),
        )->applyTo($base);

        $merge = Merge::onto($head, ChangeSet::of(
            Operation::set(Reference::parse('user:ines'), 'legs/desk/seconds', 20, 25),
            Operation::set(Reference::parse('user:colm'), 'extension', '202', '203'),
        ));

        self::assertCount(1, $merge->clashes);
        $clash = $merge->clashes[0];
        self::assertSame(['user:ines', 'legs/desk/seconds', 20, 25, 30], [
            (string) $clash->object, $clash->path, $clash->base, $clash->ours, $clash->theirs,
        ]);
        self::assertSame('203', $merge->changes->applyTo($head)->find(Reference::parse('user:colm'))?->extension());
    }

    public function test_two_phones_of_one_user_can_be_edited_by_two_people(): void
    {
        $base = Books::small();
        $head = ChangeSet::of(
            Operation::set(Reference::parse('user:ines'), 'legs/desk/seconds', 20, 30),
        )->applyTo($base);
        $merge = Merge::onto($head, ChangeSet::of(
            Operation::set(Reference::parse('user:ines'), 'legs/mobile/seconds', 15, 10),
        ));

        self::assertSame([], $merge->clashes);
        self::assertSame([30, 10], array_column(
            (array) ($merge->changes->applyTo($head)->find(Reference::parse('user:ines'))?->toArray()['legs'] ?? []),
            'seconds',
        ));
    }

    public function test_editing_what_somebody_removed_is_a_clash_not_a_loss(): void
    {
        $head = Books::small()->without(Reference::parse('user:colm'));
        $merge = Merge::onto($head, ChangeSet::of(
            Operation::set(Reference::parse('user:colm'), 'extension', '202', '203'),
        ));

        self::assertCount(1, $merge->clashes);
        self::assertNull($merge->clashes[0]->theirs);
    }

    public function test_removing_what_somebody_edited_is_a_clash(): void
    {
        $base = Books::small();
        $colm = $base->find(Reference::parse('user:colm')) ?? self::fail('no Colm');
        $head = ChangeSet::of(Operation::set(Reference::parse('user:colm'), 'extension', '202', '203'))->applyTo($base);

        self::assertCount(1, Merge::onto($head, ChangeSet::of(Operation::delete($colm)))->clashes);
    }
}
