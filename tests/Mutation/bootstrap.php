<?php

declare(strict_types=1);

/** Loads one class from elsewhere: the file with the breakage in it. */
require dirname(__DIR__, 2).'/vendor/autoload.php';

spl_autoload_register(static function (string $class): void {
    if ($class === getenv('MUTANT_CLASS')) {
        require (string) getenv('MUTANT_FILE');
    }
}, prepend: true);
