<?php

declare(strict_types=1);

namespace Tests\Core\Templates;

use Jaunty\Core\Book\BookFormat;
use Jaunty\Core\Templates\Answers;
use Jaunty\Core\Templates\Circumstances;
use Jaunty\Core\Templates\Expansion;
use Jaunty\Core\Templates\Slug;
use Jaunty\Core\Templates\Template;
use Jaunty\Core\Templates\UnusableAnswers;
use Jaunty\Core\Templates\UnusableTemplate;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ExpansionTest extends TestCase
{
    private const TENANT = '6f2a1f4e-0a43-4be0-9c3b-3f5a2d3c1b00';

    private const ANSWERS = [
        'name' => 'Thornback Sailmakers', 'zone' => 'America/Halifax', 'mainNumber' => '+19025550150',
        'messages' => 'Ines Marsh',
    ];

    public function test_the_shipped_template_makes_a_number_that_rings_a_person_who_has_a_mailbox(): void
    {
        $book = $this->expand(self::ANSWERS)->book;

        self::assertSame([
            'sites' => [[
                'key' => 'office', 'name' => 'Office', 'zone' => 'America/Halifax',
                'emergency' => ['callback' => 'number:+19025550150', 'callbackUse' => 'always', 'notify' => []],
            ]],
            'numbers' => [[
                'key' => '+19025550150', 'label' => 'Main number', 'destination' => 'user:ines-marsh',
                'trunk' => 'trunk:main', 'site' => 'site:office',
            ]],
            'users' => [[
                'key' => 'ines-marsh', 'extension' => '201', 'name' => ['first' => 'Ines', 'last' => 'Marsh'],
                'site' => 'site:office', 'mailbox' => 'mailbox:ines-marsh', 'callerId' => 'number:+19025550150',
            ]],
            'mailboxes' => [['key' => 'ines-marsh', 'name' => "Ines Marsh's mailbox", 'owner' => 'user:ines-marsh']],
            'trunks' => [['key' => 'main', 'name' => 'Main trunk', 'outsideCallersOut' => true]],
            'routes' => [
                [
                    'key' => 'emergency', 'name' => 'Emergency', 'digits' => '112|911|999', 'emergency' => true,
                    'trunks' => ['trunk:main'],
                ],
                [
                    'key' => 'local', 'name' => 'Local', 'position' => 2, 'digits' => '902[2-9]xxxxxx',
                    'trunks' => ['trunk:main'],
                ],
            ],
        ], $this->without($book, ['id', 'legs']));
    }

    public function test_expanding_twice_creates_nothing_twice(): void
    {
        self::assertEquals($this->expand(self::ANSWERS)->book, $this->expand(self::ANSWERS)->book);
    }

    public function test_an_answer_that_changes_a_key_keeps_the_identity(): void
    {
        $ids = fn (string $who): array => array_map(
            static fn ($object): ?string => $object->id(),
            $this->expand(['messages' => $who] + self::ANSWERS)->book->objects(),
        );

        self::assertSame($ids('Ines Marsh'), $ids('Joss Arden'));
    }

    public function test_another_customer_gets_other_identities(): void
    {
        $other = Expansion::of(
            $this->template(),
            Answers::check($this->template(), self::ANSWERS, new Circumstances(20_788)),
            '7f2a1f4e-0a43-4be0-9c3b-3f5a2d3c1b00',
            'taking-on',
        );

        self::assertNotSame($this->expand(self::ANSWERS)->book->objects()[0]->id(), $other->book->objects()[0]->id());
    }

    /** @param array<string, string> $answers */
    #[DataProvider('unusableAnswers')]
    public function test_every_answer_at_fault_is_named_at_once(array $answers, array $slots): void
    {
        try {
            Answers::check($this->template(), $answers + self::ANSWERS, new Circumstances(20_788));
            self::fail('these answers are no use');
        } catch (UnusableAnswers $fault) {
            self::assertSame($slots, array_keys($fault->faults));
        }
    }

    /** @return iterable<string, array{array<string, string>, list<string>}> */
    public static function unusableAnswers(): iterable
    {
        yield 'nothing said' => [['name' => '', 'zone' => ' ', 'mainNumber' => '', 'messages' => ''], [
            'name', 'zone', 'mainNumber', 'messages',
        ]];
        yield 'a zone that is none' => [['zone' => 'Halifax'], ['zone']];
        yield 'half a number, and nobody' => [['mainNumber' => '902', 'messages' => ''], ['mainNumber', 'messages']];
        yield 'a name as long as a letter' => [['name' => str_repeat('Sail ', 40)], ['name']];
    }

    #[DataProvider('names')]
    public function test_a_key_is_made_of_what_can_be_kept(string $name, string $key): void
    {
        self::assertSame($key, Slug::of($name));
    }

    /** @return iterable<string, array{string, string}> */
    public static function names(): iterable
    {
        yield 'words' => ['Ardent Road Veterinary', 'ardent-road-veterinary'];
        yield 'marks and signs' => ["  O'Brien & Søn, Ltd. ", 'o-brien-son-ltd'];
        yield 'another script' => ['Москва', 'moskva'];
        yield 'nothing of it' => ['!!!', 'x'];
        yield 'very long' => [str_repeat('a', 80), str_repeat('a', 60)];
    }

    public function test_a_template_that_names_a_slot_it_does_not_have_says_where(): void
    {
        $json = str_replace('"slot": "messages.first"', '"slot": "mesages.first"', (string) file_get_contents(
            __DIR__ . '/../../../templates/one-line-office.json',
        ));
        $template = Template::fromJson($json);

        $this->expectException(UnusableTemplate::class);
        $this->expectExceptionMessage('objects.taker');

        Expansion::of(
            $template,
            Answers::check($template, self::ANSWERS, new Circumstances(20_788)),
            self::TENANT,
            'taking-on',
        );
    }

    /** @param array<string, string> $answers */
    private function expand(array $answers): Expansion
    {
        return Expansion::of(
            $this->template(),
            Answers::check($this->template(), $answers, new Circumstances(20_788)),
            self::TENANT,
            'taking-on',
        );
    }

    private function template(): Template
    {
        return Template::fromJson((string) file_get_contents(__DIR__ . '/../../../templates/one-line-office.json'));
    }

    /**
     * @param  list<string>  $names
     * @return array<string, list<array<string, mixed>>>
     */
    private function without(\Jaunty\Core\Book\Book $book, array $names): array
    {
        $lists = [];
        foreach (BookFormat::toValue($book) as $kind => $objects) {
            if (is_array($objects) && array_is_list($objects)) {
                $lists[$kind] = array_map(
                    static fn (array $object): array => array_diff_key($object, array_flip($names)),
                    $objects,
                );
            }
        }

        return $lists;
    }
}
