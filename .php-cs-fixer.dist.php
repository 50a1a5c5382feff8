<?php

declare(strict_types=1);

$files = PhpCsFixer\Finder::create()->in([__DIR__ . '/app', __DIR__ . '/core', __DIR__ . '/tests', __DIR__ . '/config'])->notPath('reference.php')->append([__DIR__ . '/public/index.php']);

return (new PhpCsFixer\Config())
    ->setRiskyAllowed(true)
    ->setParallelConfig(PhpCsFixer\Runner\Parallel\ParallelConfigFactory::detect())
    ->setCacheFile(__DIR__ . '/var/php-cs-fixer.cache')
    ->setRules([
        '@Symfony' => true,
        '@PER-CS' => true,
        'declare_strict_types' => true,
        'concat_space' => ['spacing' => 'one'],
        'php_unit_method_casing' => ['case' => 'snake_case'],
        'phpdoc_to_comment' => false,
        'phpdoc_align' => false,
        'phpdoc_summary' => false,
        'phpdoc_separation' => false,
        'single_line_throw' => false,
        'single_line_empty_body' => false,
        'yoda_style' => false,
        'operator_linebreak' => ['only_booleans' => true, 'position' => 'end'],
        'ordered_imports' => true,
        'no_unused_imports' => true,
        'function_declaration' => ['closure_fn_spacing' => 'one'],
        'trailing_comma_in_multiline' => ['elements' => ['arguments', 'arrays', 'match', 'parameters']],
        'global_namespace_import' => false,
        'increment_style' => false,
        'blank_line_before_statement' => ['statements' => ['return']],
    ])
    ->setFinder($files);
