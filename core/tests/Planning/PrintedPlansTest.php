<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Planning;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\PlanText;
use Somatrace\Core\Tests\Support\Table;
use Somatrace\Core\Tests\Support\TableCase;

/**
 * Plans as they are printed, word for word: of each row of handwork.txt, and of the examples in four lengths. They were read as a whole
 * (docs/plan-reading.md); a change that was to change none shows here if it did. After one that was meant to, GOLDEN=write writes them
 * anew, and the difference is read before it is kept.
 */
final class PrintedPlansTest extends TestCase
{
    private const FOLDER = __DIR__.'/../golden/plans';

    #[DataProvider('plans')]
    public function test_it_is_printed_as_it_was_read(string $file, string $name, CaseFile $case, ?string $minutes): void
    {
        $plan = $minutes === null ? Core::clinic()->plan($case) : Core::clinic()->compare($case, [$minutes])[$minutes];
        $told = PlanText::of($plan);
        $kept = self::kept($file);
        if (getenv('GOLDEN') === 'write') {
            $kept[$name] = $told;
            file_put_contents(self::FOLDER."/$file.txt", implode("\n", array_map(
                static fn (string $name, string $text): string => "=== $name\n$text", array_keys($kept), $kept,
            )));
        }

        self::assertSame($kept[$name] ?? 'is new', $told);
    }

    /** What the notes on handwork know is done somewhere: a plan that never comes to it would not know that it is missing. */
    public function test_techniques_setups_and_joints_have_their_place(): void
    {
        $techniques = $setups = $joints = [];
        foreach (self::plans() as [, , $case]) {
            foreach (Core::clinic()->plan($case)->steps as $step) {
                $techniques += array_fill_keys(array_filter([$step->technique]), true);
                $joints += array_fill_keys(array_filter([$step->joint?->joint->id]), true);
                foreach ($step->manoeuvres as $one) {
                    $techniques[$one->technique] = true;
                    $setups += array_fill_keys(array_filter([$one->setup['id'] ?? null]), true);
                }
            }
        }

        self::assertGreaterThanOrEqual(20, count($techniques), implode(' ', array_keys($techniques)));
        self::assertGreaterThanOrEqual(16, count($setups), implode(' ', array_keys($setups)));
        self::assertEqualsCanonicalizing(array_keys(Core::clinic()->atlas()->handwork()->joints), array_keys($joints));
    }

    /** @return iterable<string, array{string, string, CaseFile, string|null}> file, name, case, minutes */
    public static function plans(): iterable
    {
        foreach (Table::rows('handwork', 3) as $name => [$facts]) {
            $why = explode(': ', $name, 2)[1];
            yield "row $why" => ['handwork', "$why: $facts", TableCase::of($facts)->make(), null];
        }
        foreach (glob(__DIR__.'/../fixtures/cases/*.json') ?: [] as $path) {
            foreach (['30', '45', '60', '90'] as $minutes) {
                $name = basename($path, '.json');
                yield "$name $minutes" => ['examples', "$name, $minutes minutes", Core::example($name), $minutes];
            }
        }
    }

    /** @return array<string, string> by name */
    private static function kept(string $file): array
    {
        $path = self::FOLDER."/$file.txt";
        $kept = [];
        foreach (is_file($path) ? explode("\n=== ", "\n".file_get_contents($path)) : [] as $one) {
            [$name, $text] = [...explode("\n", $one, 2), ''];
            if ($name !== '') {
                $kept[$name] = rtrim($text, "\n")."\n";
            }
        }

        return $kept;
    }
}
