<?php

declare(strict_types=1);

use Tests\Mutation\Mutation;

/** bin/mutate [PATH…] [--sample=N] [--seed=S] [--workers=N] [--resume]: see docs/testing.md. */
require dirname(__DIR__, 2).'/vendor/autoload.php';

$paths = [];
$options = ['sample' => null, 'seed' => '1', 'workers' => '2', 'resume' => false];
foreach (array_slice($argv, 1) as $word) {
    if (preg_match('/^--(sample|seed|workers)=(\d+)$/', $word, $found) === 1) {
        $options[$found[1]] = $found[2];
    } elseif ($word === '--resume') {
        $options['resume'] = true;
    } elseif (str_starts_with($word, '-') || ! file_exists(dirname(__DIR__, 2)."/$word")) {
        fwrite(STDERR, "$word is neither a path nor an option.\n");
        exit(2);
    } else {
        $paths[] = rtrim($word, '/');
    }
}
$paths = $paths !== [] ? $paths : ['core/src/Safety'];
$results = (new Mutation(dirname(__DIR__, 2), (int) $options['workers'], $options['resume']))->run(
    $paths, $options['sample'] === null ? null : (int) $options['sample'], (int) $options['seed'],
);
$rows = [];
foreach ($results as ['mutant' => $mutant, 'state' => $state]) {
    $rows[dirname($mutant->file)][$state] = ($rows[dirname($mutant->file)][$state] ?? 0) + 1;
    if (in_array($state, ['survived', 'uncovered'], true)) {
        printf("%-9s %s:%d %s | %s | %s\n", $state, $mutant->file, $mutant->line, $mutant->kind, $mutant->in, $mutant->what());
    }
}
ksort($rows);
foreach ($rows as $folder => $states) {
    $counted = array_sum($states) - ($states['equivalent'] ?? 0);
    printf(
        "%-34s %5d tried, %5.1f %% noticed (%d survived, %d come by no test, %d change nothing)\n", $folder, $counted,
        100 * ($states['noticed'] ?? 0) / max(1, $counted), $states['survived'] ?? 0, $states['uncovered'] ?? 0, $states['equivalent'] ?? 0,
    );
}
