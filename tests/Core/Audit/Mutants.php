<?php

declare(strict_types=1);

namespace Tests\Core\Audit;

/**
 * Copies of a class with one operator turned round, or one path of a finding changed: whoever proves the class has to
 * notice each. The same class gives the same mutants, in the same order.
 */
final class Mutants
{
    private const TURNED = [
        T_IS_IDENTICAL => '!==', T_IS_NOT_IDENTICAL => '===', T_IS_SMALLER_OR_EQUAL => '<',
        T_IS_GREATER_OR_EQUAL => '>',
        T_BOOLEAN_AND => '||', T_BOOLEAN_OR => '&&',
    ];

    private const SIGNS = ['<' => '<=', '>' => '>=', '+' => '-', '-' => '+', '*' => '/', '!' => ''];

    private static int $made = 0;

    /**
     * @param  class-string  $class
     * @return iterable<string, array{class-string, bool}> a class each, and whether it is a path that was changed; by
     *     what was done
     */
    public static function of(string $class): iterable
    {
        $short = substr($class, (int) strrpos($class, '\\') + 1);
        foreach (self::texts($class) as $what => [$changed, $isPath]) {
            $name = $short . 'Mutant' . self::$made++;
            $text = preg_replace("/\\bclass {$short}\\b/", "class {$name}", $changed, 1);
            $file = (string) tempnam(sys_get_temp_dir(), 'mutant');
            file_put_contents($file, $text);
            try {
                require $file;
            } finally {
                unlink($file);
            }
            /** @var class-string $mutant */
            $mutant = substr($class, 0, -strlen($short)) . $name;
            yield $what => [$mutant, $isPath];
        }
    }

    /**
     * @param  class-string  $class
     * @return iterable<string, array{string, bool}> the source of each, under the class's own name, and whether it is a
     *     path that was changed; by what was done
     */
    public static function texts(string $class): iterable
    {
        $file = (string) (new \ReflectionClass($class))->getFileName();
        $tokens = \PhpToken::tokenize((string) file_get_contents($file));
        [$begin, $end] = self::about($tokens);
        foreach ($tokens as $index => $token) {
            if ($index < $begin || ($index >= $end[0] && $index <= $end[1])) {
                continue;
            }
            $isPath = $token->id === T_CONSTANT_ENCAPSED_STRING
                && $tokens[$index - 1]->text === '('
                && $tokens[$index - 2]->text === 'at'
                && $tokens[$index - 3]->id === T_OBJECT_OPERATOR;
            $turned = $isPath
                ? "'zzz'"
                : self::TURNED[$token->id] ?? ($token->id < 256 ? self::SIGNS[$token->text] ?? null : null);
            if ($turned === null || self::isNoOperator($tokens, $index)) {
                continue;
            }
            $changed = $tokens;
            $changed[$index] = new \PhpToken($token->id, $turned, $token->line);
            $text = implode('', array_map(static fn (\PhpToken $each): string => $each->text, $changed));
            yield basename($file) . ":{$token->line}, token {$index}: {$token->text} to {$turned}" => [$text, $isPath];
        }
    }

    /**
     * What a rule says of itself is text; it is proven by being read.
     *
     * @param  list<\PhpToken>  $tokens
     * @return array{int, array{int, int}} where the class begins, and between which tokens that text lies
     */
    private static function about(array $tokens): array
    {
        $begin = 0;
        foreach ($tokens as $index => $token) {
            if ($token->id === T_CLASS) {
                $begin = $index;
            }
            if ($token->id === T_STRING && $token->text === 'about' && $tokens[$index - 2]->id === T_FUNCTION) {
                for ($depth = 0, $last = $index; $last < count($tokens); $last++) {
                    $depth += ['{' => 1, '}' => -1][$tokens[$last]->text] ?? 0;
                    if ($depth === 0 && $tokens[$last]->text === '}') {
                        return [$begin, [$index, $last]];
                    }
                }
            }
        }

        return [$begin, [0, -1]];
    }

    /** @param list<\PhpToken> $tokens */
    private static function isNoOperator(array $tokens, int $index): bool
    {
        // A sign before a literal, and the marks of types.
        $next = $tokens[$index + 1] ?? null;

        return in_array($tokens[$index]->text, ['+', '-', '*', '<', '>'], true) && $next?->id !== T_WHITESPACE;
    }
}
