<?php

declare(strict_types=1);

use PhpCsFixer\Config;
use PhpCsFixer\Finder;

return (new Config())
    ->setRiskyAllowed(true)
    ->setRules([
        '@PER-CS' => true,
        // As Laravel writes it.
        'not_operator_with_successor_space' => true,
        'concat_space' => ['spacing' => 'one'],
        'function_declaration' => ['closure_fn_spacing' => 'one'],
        'ordered_imports' => true,
        'no_unused_imports' => true,
        'declare_strict_types' => true,
        'single_quote' => true,
        'blank_line_before_statement' => ['statements' => ['return', 'continue']],
        'method_chaining_indentation' => true,
        'phpdoc_trim' => true,
        'no_extra_blank_lines' => true,
        'single_line_empty_body' => false,
        'method_argument_space' => ['on_multiline' => 'ignore'],
        'trailing_comma_in_multiline' => ['elements' => ['arrays', 'match', 'parameters']],
        'new_with_parentheses' => ['anonymous_class' => true],
    ])
    ->setFinder(Finder::create()->in(['app', 'bench', 'config', 'core', 'database', 'packages', 'routes', 'tests'])->notPath('#/vendor/#')->append([__FILE__]));
