<?php

declare(strict_types=1);

namespace Tests\Feature;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The command line as a stranger would use it: a process, its two streams and its exit. */
final class CaseCommandTest extends TestCase
{
    private const EXAMPLES = 'core/tests/fixtures/cases';

    #[DataProvider('examples')]
    public function test_it_prints_one_result_and_nothing_else(string $file): void
    {
        [$exit, $out, $err] = $this->run_command([$file]);
        $result = json_decode($out, true, 64, JSON_THROW_ON_ERROR);

        self::assertSame([0, ''], [$exit, $err]);
        self::assertSame(['somatrace.result', 1], [$result['format'], $result['version']]);
        self::assertSame([], array_diff(['safety', 'pattern', 'plan', 'response'], array_keys($result)));
        self::assertGreaterThanOrEqual(12, count($result['pattern']['candidates']));
        $minutes = ((array) json_decode((string) file_get_contents($file), true))['session']['minutes'] ?? 60;
        self::assertLessThanOrEqual($minutes, $result['plan']['minutes']);
    }

    /** @return iterable<string, array{string}> */
    public static function examples(): iterable
    {
        foreach (glob(dirname(__DIR__, 2).'/'.self::EXAMPLES.'/*.json') ?: [] as $file) {
            yield basename($file) => [$file];
        }
    }

    public function test_a_bad_file_exits_with_two_and_every_fault_with_its_pointer(): void
    {
        [$exit, $out, $err] = $this->run_command(
            ['-'],
            '{"format":"somatrace.case","version":1,"as_of":"2026-03-01","client":{"age":0},"findings":{"complaints":[{"zone":"knee","side":"left","now":11}]}}',
        );

        self::assertSame([2, ''], [$exit, $out]);
        $lines = explode("\n", trim($err));
        self::assertSame(
            ['/client/age', '/findings/complaints/0/zone', '/findings/complaints/0/now'],
            array_map(static fn (string $line): string => explode(': ', $line)[0], $lines),
        );
    }

    #[DataProvider('misuse')]
    public function test_misuse_is_said_plainly(array $arguments, string $line): void
    {
        [$exit, $out, $err] = $this->run_command($arguments);

        self::assertSame([2, '', $line], [$exit, $out, trim($err)]);
    }

    /** @return iterable<string, array{list<string>, string}> */
    public static function misuse(): iterable
    {
        $example = dirname(__DIR__, 2).'/'.self::EXAMPLES.'/puppeteer-between-the-blades.json';
        yield 'no such file' => [['nowhere.json'], '#: no such file'];
        yield 'an unknown part' => [
            [$example, '--only=dreams'], '#: --only: "dreams" is no part, allowed are safety, pattern, plan, response',
        ];
        yield 'nine minutes' => [[$example, '--compare=9'], '#: --compare: 9 minutes, allowed are 10 to 180'];
        yield 'no school' => [[$example, '--compare=harder'], '#: --compare: "harder" is neither minutes nor a choice of a school'];
    }

    public function test_compare_holds_one_plan_a_value_and_only_keeps_every_key(): void
    {
        [, $out] = $this->run_command([
            dirname(__DIR__, 2).'/'.self::EXAMPLES.'/puppeteer-between-the-blades.json', '--only=plan', '--compare=30,under_pain',
        ]);
        $result = json_decode($out, true);

        self::assertSame(['30', 'under_pain'], array_map('strval', array_keys($result['compare'])));
        self::assertLessThanOrEqual(30, $result['compare']['30']['minutes']);
        self::assertSame([], $result['safety']);
        self::assertNotEmpty($result['plan']['steps']);
    }

    /**
     * @param  list<string>  $arguments
     * @return array{int, string, string} exit, standard output, standard error
     */
    private function run_command(array $arguments, string $input = ''): array
    {
        $root = dirname(__DIR__, 2);
        $process = proc_open(
            [PHP_BINARY, "$root/artisan", 'somatrace:case', ...$arguments], [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes, $root,
        );
        self::assertIsResource($process);
        fwrite($pipes[0], $input);
        fclose($pipes[0]);
        $out = (string) stream_get_contents($pipes[1]);
        $err = (string) stream_get_contents($pipes[2]);

        return [proc_close($process), $out, $err];
    }
}
