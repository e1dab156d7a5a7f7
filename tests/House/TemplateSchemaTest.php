<?php

declare(strict_types=1);

namespace Tests\House;

use Jaunty\Core\Templates\SlotType;
use Jaunty\Core\Templates\Template;
use Jaunty\Core\Templates\UnusableTemplate;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The published schema of templates, the manual and the reader say the same. */
final class TemplateSchemaTest extends TestCase
{
    private const ROOT = __DIR__ . '/../..';

    public function test_every_shipped_template_fits_the_schema(): void
    {
        $files = (array) glob(self::ROOT . '/templates/*.json');
        self::assertCount(5, $files);
        foreach ($files as $file) {
            self::assertTrue($this->fits((string) file_get_contents((string) $file)), (string) $file);
        }
    }

    /** @param array<string, mixed> $part */
    #[DataProvider('faulty')]
    public function test_what_the_schema_refuses_the_reader_refuses_too(array $part): void
    {
        $json = json_encode(
            $part + [
                'format' => Template::FORMAT, 'version' => 1, 'key' => 'x', 'name' => 'X', 'slots' => [],
                'tenant' => ['key' => 'x'], 'objects' => [],
            ],
            JSON_THROW_ON_ERROR,
        );

        self::assertFalse($this->fits($json));
        $this->expectException(UnusableTemplate::class);
        Template::fromJson($json);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function faulty(): iterable
    {
        yield 'an unknown type' => [['slots' => [['key' => 'a', 'question' => 'A', 'type' => 'colour']]]];
        yield 'a table without columns' => [['slots' => [['key' => 'a', 'question' => 'A', 'type' => 'table']]]];
        yield 'options of what is no choice' => [
            ['slots' => [['key' => 'a', 'question' => 'A', 'options' => ['b' => 'B']]]],
        ];
        yield 'a row of no table' => [['slots' => [['key' => 'a', 'question' => 'A', 'type' => 'rowOf']]]];
        yield 'a condition of two sorts' => [
            ['slots' => [['key' => 'a', 'question' => 'A', 'when' => ['slot' => 'b', 'is' => 1, 'has' => 2]]]],
        ];
        yield 'an object of no kind' => [
            ['objects' => [['origin' => 'a', 'kind' => 'engine', 'fields' => ['key' => 'a']]]],
        ];
        yield 'an origin that is no key' => [
            ['objects' => [['origin' => 'A b', 'kind' => 'site', 'fields' => ['key' => 'a']]]],
        ];
        yield 'another format' => [['format' => 'something/else']];
    }

    public function test_the_manual_and_the_schema_name_every_type(): void
    {
        $schema = json_decode((string) file_get_contents(self::ROOT . '/docs/template.schema.json'), true);
        self::assertIsArray($schema);
        $types = array_map(static fn (SlotType $type): string => $type->value, SlotType::cases());

        self::assertEqualsCanonicalizing($types, $schema['$defs']['slot']['properties']['type']['enum']);
        foreach ($types as $type) {
            self::assertStringContainsString("`{$type}`", (string) file_get_contents(
                self::ROOT . '/docs/templates.md',
            ));
        }
    }

    private function fits(string $json): bool
    {
        return (new Validator())
            ->validate(json_decode($json), (string) file_get_contents(self::ROOT . '/docs/template.schema.json'))
            ->isValid();
    }
}
