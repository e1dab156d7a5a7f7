<?php

declare(strict_types=1);

$files = PhpCsFixer\Finder::create()
    ->in([
        __DIR__ . '/app', __DIR__ . '/bench', __DIR__ . '/bin/lib', __DIR__ . '/bootstrap', __DIR__ . '/cli',
        __DIR__ . '/config', __DIR__ . '/core/src', __DIR__ . '/database', __DIR__ . '/public', __DIR__ . '/routes',
        __DIR__ . '/standins', __DIR__ . '/tests',
    ])
    ->exclude(['build', 'cache'])
    ->append([__FILE__]);

return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setUnsupportedPhpVersionAllowed(true)
    ->setCacheFile(__DIR__ . '/var/php-cs-fixer.cache')
    ->setFinder($files)
    ->setRules([
        '@PER-CS2.0' => true,
        '@PHP82Migration' => true,
        'declare_strict_types' => true,
        'strict_param' => true,
        'no_unused_imports' => true,
        'ordered_imports' => ['imports_order' => ['class', 'function', 'const']],
        'single_line_empty_body' => false,
        'function_declaration' => ['closure_fn_spacing' => 'one'],
        'concat_space' => ['spacing' => 'one'],
        'not_operator_with_successor_space' => true,
        'blank_line_before_statement' => ['statements' => ['return']],
        'no_superfluous_phpdoc_tags' => ['allow_mixed' => true],
        'phpdoc_trim' => true,
        'phpdoc_separation' => false,
        'static_lambda' => true,
        'trailing_comma_in_multiline' => ['elements' => ['arguments', 'arrays', 'match', 'parameters']],
        'nullable_type_declaration_for_default_null_value' => true,
        'self_accessor' => true,
        'void_return' => true,
    ]);
