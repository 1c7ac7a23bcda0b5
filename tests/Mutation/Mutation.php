<?php

declare(strict_types=1);

namespace Tests\Mutation;

use Symfony\Component\Process\Process;

/** Breaks the code in many small ways, one at a time, and sees which of them the tests notice. */
final class Mutation
{
    /** the longest a broken program may take over what its tests usually take, and at least */
    private const SLOWER = 8;

    private const AT_LEAST_SECONDS = 30;

    private const ALL_SECONDS = 900;

    private const FEW = 8;

    /** a pattern longer than this costs more than the tests it leaves out */
    private const MOST_METHODS = 120;

    /** @var array<string, array<string, mixed>> by key of a mutant what came of it */
    private array $known = [];

    public function __construct(private readonly string $root, private readonly int $workers, private readonly bool $resume)
    {
        @mkdir("$root/storage/mutation", 0700, true);
        foreach ($this->resume && is_file($this->book()) ? file($this->book(), FILE_IGNORE_NEW_LINES) ?: [] : [] as $line) {
            /** @var array{key: string, state: string} $row */
            $row = json_decode($line, true, flags: JSON_THROW_ON_ERROR);
            // what survived is tried again: tests may have come since
            if ($row['state'] === 'noticed') {
                $this->known[$row['key']] = $row;
            } else {
                unset($this->known[$row['key']]);
            }
        }
        if (! $this->resume && is_file($this->book())) {
            unlink($this->book());
        }
    }

    /**
     * @param  list<string>  $paths
     * @param  int|null  $sample  how many of all; all of them without
     * @return list<array{mutant: Mutant, state: string}>
     */
    public function run(array $paths, ?int $sample, int $seed): array
    {
        $mutants = array_merge([], ...array_map(fn (string $file): array => MutantFinder::in($this->root, $file), $this->files($paths)));
        if ($sample !== null) {
            mt_srand($seed);
            shuffle($mutants);
            $mutants = array_slice($mutants, 0, $sample);
        }
        // the core is tried by its own tests, the application by those of the application
        $of = static fn (string $path): string => str_starts_with($path, 'core/') ? 'core' : 'app';
        $coverage = [];
        foreach (array_unique(array_map($of, $paths)) as $suite) {
            $own = array_values(array_filter($paths, static fn (string $path): bool => $of($path) === $suite));
            $coverage[$suite] = Coverage::of($this->root, $suite, $own);
        }
        $equivalent = $this->equivalent();
        $results = [];
        $waiting = [];
        foreach ($mutants as $mutant) {
            $suite = $of($mutant->file);
            $covering = $coverage[$suite]->covering($mutant->file, $mutant->line, $mutant->lastLine);
            $state = match (true) {
                isset($equivalent["{$mutant->file} | {$mutant->in} | {$mutant->what()}"]) => 'equivalent',
                isset($this->known[$mutant->key()]) => 'noticed',
                $covering === [] && $suite !== 'core' => 'uncovered',
                default => null,
            };
            if ($state === null) {
                $waiting[] = [$mutant, $covering, $coverage[$suite]->seconds($covering)];
            } else {
                $results[] = ['mutant' => $mutant, 'state' => $state];
            }
        }
        fprintf(STDERR, "%d breakages, %d to try\n", count($mutants), count($waiting));

        return [...$results, ...$this->tried($waiting)];
    }

    /**
     * @param  list<array{Mutant, array<string, list<string>>, float}>  $waiting
     * @return list<array{mutant: Mutant, state: string}>
     */
    private function tried(array $waiting): array
    {
        $results = [];
        $running = [];
        $begun = microtime(true);
        while ($waiting !== [] || $running !== []) {
            while ($waiting !== [] && count($running) < $this->workers) {
                [$mutant, $covering, $seconds] = array_shift($waiting);
                file_put_contents($this->place($mutant), $mutant->code);
                $running[] = $covering === []
                    ? [$mutant, $this->startAll($mutant), false]
                    : [$mutant, $this->start($mutant, $covering, $seconds), count(array_merge(...array_values($covering))) <= self::FEW];
            }
            usleep(20_000);
            foreach ($running as $index => [$mutant, $process, $first]) {
                $state = $this->stateOf($process);
                if ($state === 'survived' && $first && str_starts_with($mutant->file, 'core/')) {
                    // data is read once a process: what comes by its reading are only the first tests that needed it
                    $running[$index] = [$mutant, $this->startAll($mutant), false];
                } elseif ($state !== null) {
                    $results[] = ['mutant' => $mutant, 'state' => $state];
                    $this->write($mutant, $state);
                    unset($running[$index]);
                    @unlink($this->place($mutant));
                    if (count($results) % 50 === 0) {
                        fprintf(STDERR, "%d tried, %d left, %d s\n", count($results), count($waiting), microtime(true) - $begun);
                    }
                }
            }
        }

        return $results;
    }

    private function stateOf(Process $process): ?string
    {
        try {
            $process->checkTimeout();
        } catch (\RuntimeException) {
            return 'noticed'; // it never ends any more
        }

        return $process->isRunning() ? null : ($process->getExitCode() === 0 ? 'survived' : 'noticed');
    }

    /** @param  array<string, list<string>>  $covering */
    private function start(Mutant $mutant, array $covering, float $seconds): Process
    {
        $methods = array_values(array_unique(array_merge([], ...array_values($covering))));
        $filter = count($methods) > self::MOST_METHODS ? [] : ['--filter', '/::('.implode('|', $methods).')( with data set|$)/'];

        return $this->begun($mutant, [...$filter, ...array_keys($covering)], max(self::AT_LEAST_SECONDS, self::SLOWER * $seconds));
    }

    /** Every test of the core that is not a long walk. */
    private function startAll(Mutant $mutant): Process
    {
        return $this->begun($mutant, ['--testsuite', 'core', ...Coverage::LEFT_OUT['core']], self::ALL_SECONDS);
    }

    /** @param  list<string>  $what */
    private function begun(Mutant $mutant, array $what, float $seconds): Process
    {
        $process = new Process(
            [
                PHP_BINARY, '-d', 'pcov.enabled=0', '-d', 'memory_limit=2G', 'vendor/bin/phpunit', '--bootstrap',
                'tests/Mutation/bootstrap.php', '--no-coverage', '--no-progress', '--no-output', '--do-not-cache-result',
                '--stop-on-failure', '--stop-on-error', ...$what,
            ],
            $this->root, ['MUTANT_CLASS' => $mutant->class, 'MUTANT_FILE' => $this->place($mutant)], timeout: $seconds,
        );
        $process->disableOutput();
        $process->start();

        return $process;
    }

    private function place(Mutant $mutant): string
    {
        return "{$this->root}/storage/mutation/{$mutant->key()}.php";
    }

    private function write(Mutant $mutant, string $state): void
    {
        file_put_contents($this->book(), json_encode([
            'key' => $mutant->key(), 'state' => $state, 'file' => $mutant->file, 'line' => $mutant->line, 'kind' => $mutant->kind,
            'what' => $mutant->what(),
        ], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n", FILE_APPEND);
    }

    private function book(): string
    {
        return "{$this->root}/storage/mutation/tried.jsonl";
    }

    /** @return array<string, true> breakages that change nothing anybody could see, each with its reason in the file */
    private function equivalent(): array
    {
        $rows = [];
        foreach (file(__DIR__.'/equivalent.txt', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            if (! str_starts_with($line, '#')) {
                $rows[implode(' | ', array_slice(array_map(trim(...), explode(' | ', $line)), 0, 3))] = true;
            }
        }

        return $rows;
    }

    /**
     * @param  list<string>  $paths
     * @return list<string>
     */
    private function files(array $paths): array
    {
        $files = [];
        foreach ($paths as $path) {
            $found = is_file("{$this->root}/$path")
                ? ["{$this->root}/$path"]
                : array_keys(iterator_to_array(
                    new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator("{$this->root}/$path", \FilesystemIterator::SKIP_DOTS)),
                ));
            array_push($files, ...array_filter($found, static fn (string $file): bool => str_ends_with($file, '.php')));
        }
        sort($files);

        return array_map(fn (string $file): string => substr($file, strlen($this->root) + 1), $files);
    }
}
