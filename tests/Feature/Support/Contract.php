<?php

declare(strict_types=1);

namespace Tests\Feature\Support;

use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Yaml\Yaml;

/** Holds answers of the API against contract/openapi.yaml: every address, status and body has to be in it. */
final class Contract
{
    private const ID = 'https://roster.example/contract.json';

    private static ?self $contract = null;

    /** @param array<string, mixed> $document */
    private function __construct(private readonly array $document, private readonly Validator $validator)
    {
    }

    public static function load(): self
    {
        if (self::$contract === null) {
            $file = dirname(__DIR__, 3) . '/contract/openapi.yaml';
            $document = Yaml::parseFile($file);
            Assert::assertIsArray($document);
            $validator = new Validator();
            $resolver = $validator->resolver();
            Assert::assertNotNull($resolver);
            // As objects: an empty schema is one that allows anything, not an empty list.
            $resolver->registerRaw(
                (string) file_get_contents(dirname($file) . '/objects.json'),
                dirname(self::ID) . '/objects.json',
            );
            $resolver->registerRaw(
                json_encode(Yaml::parseFile($file, Yaml::PARSE_OBJECT_FOR_MAP), JSON_THROW_ON_ERROR),
                self::ID,
            );
            /** @var array<string, mixed> $document */
            self::$contract = new self($document, $validator);
        }

        return self::$contract;
    }

    /** @return list<string> such as `get /customers/{customer}/desk` */
    public function operations(): array
    {
        $operations = [];
        foreach ((array) $this->document['paths'] as $path => $item) {
            foreach (array_keys((array) $item) as $method) {
                if (in_array($method, ['get', 'post', 'put', 'patch', 'delete'], true)) {
                    $operations[] = "{$method} {$path}";
                }
            }
        }
        sort($operations);

        return $operations;
    }

    public function check(string $method, string $path, Response $response): void
    {
        [$template, $operation] = $this->operation(strtolower($method), $path);
        $status = (string) $response->getStatusCode();
        // Throttling, a second factor that is required, bodies that cannot be read and our own faults may answer
        // anywhere; their body is checked like every problem.
        $pointer = isset($operation['responses'][$status])
            ? '/paths/' . self::escape($template) . '/' . strtolower($method) . "/responses/{$status}"
            : (
                in_array($status, ['400', '403', '413', '419', '422', '429', '500'], true)
                ? '/components/responses/Problem'
                : null
            );
        Assert::assertNotNull(
            $pointer,
            "{$method} {$template} answers {$status}, which is not in the contract: {$response->getContent()}",
        );
        $described = $this->at($pointer);
        if (isset($described['$ref']) && is_string($described['$ref'])) {
            $pointer = substr($described['$ref'], 1);
            $described = $this->at($pointer);
        }
        if (! isset($described['content'])) {
            Assert::assertSame('', $response->getContent(), "{$method} {$template} {$status} has a body");

            return;
        }
        $type = (string) $response->headers->get('Content-Type');
        Assert::assertContains($type, array_keys((array) $described['content']), "{$method} {$template} {$status}");
        if (! str_ends_with($type, 'json')) {
            return;
        }
        $schema = self::ID
            . '#'
            . strtr("{$pointer}/content/" . self::escape($type) . '/schema', ['{' => '%7B', '}' => '%7D']);
        $result = $this->validator->validate(json_decode((string) $response->getContent()), $schema);
        $error = $result->error();
        Assert::assertNull($error, "{$method} {$template} {$status}: " . (
            $error === null ? '' : json_encode((new ErrorFormatter())->format($error)) . "\n{$response->getContent()}"
        ));
    }

    /** @return array{string, array<string, mixed>} */
    private function operation(string $method, string $path): array
    {
        foreach ((array) $this->document['paths'] as $template => $item) {
            $pattern = '#^'
                . preg_replace('/\\\\\{[a-z]+\\\\\}/', '[^/]+', preg_quote((string) $template, '#'))
                . '$#D';
            if (preg_match($pattern, $path) === 1 && isset($item[$method])) {
                return [(string) $template, $item[$method]];
            }
        }
        Assert::fail("{$method} {$path} is not in the contract");
    }

    /** @return array<string, mixed> */
    private function at(string $pointer): array
    {
        $value = $this->document;
        foreach (explode('/', ltrim($pointer, '/')) as $step) {
            $value = $value[str_replace(['~1', '~0'], ['/', '~'], $step)] ?? null;
            Assert::assertIsArray($value, $pointer);
        }

        return $value;
    }

    private static function escape(string $step): string
    {
        return str_replace(['~', '/'], ['~0', '~1'], $step);
    }
}
