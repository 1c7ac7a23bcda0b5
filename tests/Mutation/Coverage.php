<?php

declare(strict_types=1);

namespace Tests\Mutation;

use Composer\Autoload\ClassLoader;
use SebastianBergmann\CodeCoverage\CodeCoverage;
use Symfony\Component\Process\Process;

/** Which tests come by a line, and how long they take: run once with pcov, kept until code or tests change. */
final readonly class Coverage
{
    /** By suite, what walks far for what a quicker test notices as well: left out, more survives and every hour tries ten times as much. */
    public const LEFT_OUT = [
        'core' => ['--exclude-group', 'slow', '--exclude-group', 'figures', '--exclude-group', 'properties'],
        'app' => ['--exclude-group', 'walks'],
    ];

    /**
     * @param  array<string, array<int, list<string>>>  $lines  by file and line the tests, as Class::method
     * @param  array<string, float>  $seconds  by test
     */
    private function __construct(private array $lines, private array $seconds)
    {
    }

    /** @param  list<string>  $paths  what is broken: its coverage is all that is wanted */
    public static function of(string $root, string $suite, array $paths): self
    {
        $kept = "$root/storage/mutation/$suite.".substr(sha1(implode("\n", $paths).self::state($root)), 0, 16).'.json';
        if (! is_file($kept)) {
            self::run($root, $suite, $paths, $kept);
        }
        /** @var array{lines: array<string, array<int, list<int>>>, tests: list<string>, seconds: array<string, float>} $data */
        $data = json_decode((string) file_get_contents($kept), true, flags: JSON_THROW_ON_ERROR);
        $named = static fn (array $tests): array => array_map(static fn (int $test): string => $data['tests'][$test], $tests);

        return new self(array_map(static fn (array $lines): array => array_map($named, $lines), $data['lines']), $data['seconds']);
    }

    /** @return array<string, list<string>> methods by test file, of what comes by these lines; the quickest file first */
    public function covering(string $file, int $from, int $to): array
    {
        $tests = [];
        for ($line = $from; $line <= $to; $line++) {
            $tests += array_fill_keys($this->lines[$file][$line] ?? [], true);
        }
        // a constant or a default is no line that runs: whatever comes by the class comes by it
        if (array_filter(range($from, $to), fn (int $line): bool => isset($this->lines[$file][$line])) === []) {
            foreach ($this->lines[$file] ?? [] as $of) {
                $tests += array_fill_keys($of, true);
            }
        }
        $methods = [];
        $seconds = [];
        foreach (array_keys($tests) as $test) {
            [$class, $method] = explode('::', $test);
            $path = self::loader()->findFile($class);
            if ($path !== false) {
                $path = (string) realpath($path);
                $methods[$path][] = $method;
                $seconds[$path] = ($seconds[$path] ?? 0) + ($this->seconds[$test] ?? 1.0);
            }
        }
        asort($seconds);

        return array_merge(array_fill_keys(array_keys($seconds), []), $methods);
    }

    /** @param  array<string, list<string>>  $covering */
    public function seconds(array $covering): float
    {
        $all = array_merge([], ...array_values($covering));

        return array_sum(array_map(
            fn (string $method): float => array_sum(array_filter(
                $this->seconds, static fn (string $test): bool => str_ends_with($test, "::$method"), ARRAY_FILTER_USE_KEY,
            )),
            $all,
        ));
    }

    /** @param  list<string>  $paths */
    private static function run(string $root, string $suite, array $paths, string $kept): void
    {
        @mkdir("$root/storage/mutation", 0700, true);
        $filter = array_merge(
            [],
            ...array_map(
                static fn (string $path): array => ['--coverage-filter', $path],
                array_map(static fn (string $path): string => is_dir("$root/$path") ? $path : dirname($path), $paths),
            ),
        );
        $process = new Process(
            [
                PHP_BINARY, '-d', 'memory_limit=6G', '-d', 'pcov.enabled=1', '-d', "pcov.directory=$root", 'vendor/bin/paratest',
                '--processes=2', "--passthru-php='-d' 'memory_limit=3G' '-d' 'pcov.enabled=1' '-d' 'pcov.directory=$root'",
                '--testsuite', $suite, ...self::LEFT_OUT[$suite], '--coverage-php', "$kept.php", '--log-junit', "$kept.xml",
                '--no-progress', ...$filter,
            ],
            $root, timeout: 3600,
        );
        $process->run();
        if (! $process->isSuccessful()) {
            throw new \RuntimeException("The tests are not green as they are:\n".$process->getOutput());
        }
        $coverage = include "$kept.php";
        $lines = $coverage instanceof CodeCoverage
            ? $coverage->getData()->lineCoverage()
            : throw new \RuntimeException('No coverage was written: is pcov there?');
        $numbers = [];
        $by = [];
        foreach ($lines as $file => $of) {
            foreach ($of as $line => $tests) {
                foreach (
                    array_unique(array_map(
                        static fn (string $test): string => (string) preg_replace('/ with data set.*$|#.*$/s', '', $test), $tests ?? [],
                    )) as $test
                ) {
                    $by[substr($file, strlen($root) + 1)][$line][] = $numbers[$test] ??= count($numbers);
                }
            }
        }
        $seconds = [];
        foreach (simplexml_load_file("$kept.xml")?->xpath('//testcase') ?? [] as $case) {
            $test = $case['class'].'::'.preg_replace('/ with data set.*$/s', '', (string) $case['name']);
            $seconds[$test] = ($seconds[$test] ?? 0.0) + (float) $case['time'];
        }
        file_put_contents(
            $kept, json_encode(['lines' => $by, 'tests' => array_keys($numbers), 'seconds' => $seconds], JSON_THROW_ON_ERROR),
        );
        unlink("$kept.php");
        unlink("$kept.xml");
    }

    /** Of all code and all tests: coverage of another state says nothing. */
    private static function state(string $root): string
    {
        $hash = hash_init('sha256');
        foreach (['core', 'app', 'tests/Feature', 'tests/Support', 'database', 'routes', 'config'] as $folder) {
            $files = iterator_to_array(
                new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator("$root/$folder", \FilesystemIterator::SKIP_DOTS)),
            );
            ksort($files);
            foreach ($files as $path => $file) {
                if (in_array($file->getExtension(), ['php', 'json', 'txt'], true)) {
                    hash_update($hash, $path.hash_file('sha256', (string) $path));
                }
            }
        }

        return hash_final($hash);
    }

    private static function loader(): ClassLoader
    {
        return array_values(ClassLoader::getRegisteredLoaders())[0];
    }
}
