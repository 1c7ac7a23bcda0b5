<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Planning\PlanStep;
use Somatrace\Core\Safety\RuleRegister;
use Somatrace\Core\Simulation\Underway;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\MadeUpCases;
use Somatrace\Core\Tests\Support\MadeUpCourses;

/**
 * What the core says of the examples, word for word, and of some hundred made-up clients, as sums: a change of the code that was to change
 * nothing shows here if it did. After one that was meant to, GOLDEN=write writes them anew, and the difference is read before it is kept.
 * Plans are printed and read besides (PrintedPlansTest).
 */
final class GoldenTest extends TestCase
{
    private const FOLDER = __DIR__.'/golden';

    /** @return array<string, mixed> every judgement */
    private static function judged(CaseFile $case): array
    {
        $clinic = Core::clinic();

        return json_decode(json_encode([
            'safety' => $clinic->screen($case)->toArray(),
            'worklist' => $clinic->worklist($case)->toArray(),
            'everything to measure' => $clinic->worklist($case, full: true)->toArray(),
            'compared' => array_map(static fn ($one): array => $one->toArray(), $clinic->compared($case)),
            'ranking' => $clinic->rank($case)->toArray(),
            'chains' => array_map(static fn ($one): array => $one->toArray(), $clinic->chains($case)),
            'response' => $clinic->respond($case)->toArray(),
        ], JSON_THROW_ON_ERROR), true, flags: JSON_THROW_ON_ERROR);
    }

    #[DataProvider('examples')]
    public function test_of_an_example_every_word_is_as_it_was(string $name): void
    {
        $this->same("$name.json", self::text(self::judged(Core::example($name))));
    }

    /** @return iterable<string, array{string}> */
    public static function examples(): iterable
    {
        foreach (glob(__DIR__.'/fixtures/cases/*.json') ?: [] as $path) {
            yield basename($path, '.json') => [basename($path, '.json')];
        }
    }

    /** @param  array<string, mixed>  $case */
    #[DataProvider('clients')]
    public function test_of_a_made_up_client_every_judgement_is_as_it_was(string $name, array $case): void
    {
        $this->sameSums('clients', $name, self::judged(Core::case($case)));
    }

    #[DataProvider('treated')]
    public function test_of_a_made_up_client_the_plan_is_as_it_was(string $name, CaseFile $case): void
    {
        $plan = Core::clinic()->plan($case);
        $done = array_slice($plan->steps, 0, intdiv(count($plan->steps), 2));
        $left = max(6.0, $plan->minutes() - array_sum(array_map(static fn (PlanStep $step): float => $step->minutes, $done)));
        $this->sameSums('planned', $name, [
            'plan' => $plan->toArray(), 'from half way' => Core::clinic()->plan(Underway::of($case, $done, $left))->toArray(),
        ]);
    }

    /** @return iterable<string, array{string, CaseFile}> with findings, visits behind them, injuries, tools and stiff joints */
    public static function treated(): iterable
    {
        foreach (MadeUpCourses::treated(10) as $name => $case) {
            yield $name => [$name, $case];
        }
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function clients(): iterable
    {
        foreach ([...MadeUpCourses::ofEveryRegion(14), ...MadeUpCases::many(40)] as $name => [$case]) {
            yield $name => [$name, $case];
        }
    }

    public function test_every_rule_says_what_it_said(): void
    {
        $register = new RuleRegister(Core::clinic()->atlas(), dirname(__DIR__).'/data');

        $this->same('rules.json', self::text([...$register->rows(), ...$register->touchRows()]));
    }

    public function test_every_kind_of_entry_is_declared_as_it_was(): void
    {
        $this->same('entries.json', self::text([
            'kinds' => Core::clinic()->entries()->kinds, 'identities' => Core::clinic()->entries()->identities,
        ]));
    }

    /** @param  array<string, array<string, mixed>>  $judged  by name */
    private function sameSums(string $file, string $name, array $judged): void
    {
        $sums = array_map(static fn (array $one): string => substr(hash('sha256', self::text($one)), 0, 10), $judged);
        $told = implode(' ', array_map(static fn (string $what, string $sum): string => "$what $sum", array_keys($sums), $sums));
        $kept = self::kept($file);
        if (getenv('GOLDEN') === 'write') {
            $kept[$name] = $told;
            file_put_contents(self::FOLDER."/$file.txt", self::lines($kept));
        }
        self::assertSame(
            $kept[$name] ?? 'is new', $told,
            'what it is now: GOLDEN=write vendor/bin/phpunit core/tests/GoldenTest.php, and read the difference',
        );
    }

    private function same(string $file, string $text): void
    {
        if (getenv('GOLDEN') === 'write') {
            file_put_contents(self::FOLDER."/$file", $text);
        }
        self::assertStringEqualsFile(self::FOLDER."/$file", $text);
    }

    /** @param  array<array-key, mixed>  $what */
    private static function text(array $what): string
    {
        return json_encode($what, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n";
    }

    /** @return array<string, string> what is kept of each client, by name */
    private static function kept(string $file): array
    {
        $kept = [];
        $path = self::FOLDER."/$file.txt";
        foreach (is_file($path) ? (file($path, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: []) : [] as $line) {
            [$name, $told] = explode(' | ', $line);
            $kept[$name] = $told;
        }

        return $kept;
    }

    /** @param  array<string, string>  $kept */
    private static function lines(array $kept): string
    {
        ksort($kept, SORT_NATURAL);

        return implode('', array_map(static fn (string $name, string $told): string => "$name | $told\n", array_keys($kept), $kept));
    }
}
