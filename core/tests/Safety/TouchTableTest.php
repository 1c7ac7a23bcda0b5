<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Safety;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Safety\Limit;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\RuleRegister;
use Somatrace\Core\Safety\TouchGate;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/**
 * Every touch against tables/touch.txt, which was written from what hands may and may not do: strokes, deep work, tools, positions,
 * consent.
 */
final class TouchTableTest extends TestCase
{
    #[DataProvider('rows')]
    public function test_a_touch_is_judged_as_it_is_written(string $rule, string $who, string $touch, string $follows): void
    {
        $case = self::client($who)->make();
        $gate = TouchGate::of(Core::clinic()->atlas(), Core::clinic()->screen($case), $case);
        $work = self::work($touch);
        $forbidding = $gate->forbidding($work);
        [$what, $figure] = [...explode(' ', $follows), ''];

        match ($what) {
            'no' => self::assertContains(
                $rule, array_merge([], ...array_map(static fn (Limit $limit): array => $limit->rules, $gate->against($work))),
                "$touch: ".($forbidding?->because() ?? 'is allowed'),
            ),
            'may' => self::assertNull($forbidding, "$touch: {$forbidding?->because()}"),
            'cap' => self::assertContains(
                [(float) $figure, [$rule]],
                array_map(static fn (Limit $limit): array => [(float) $limit->value, $limit->rules], $gate->caps($work)), $touch,
            ),
            default => self::fail("\"$follows\" says nothing"),
        };
    }

    /** @return iterable<string, array{string, string, string, string}> */
    public static function rows(): iterable
    {
        foreach (self::lines() as $number => $line) {
            yield "{$line[0]}, line $number" => $line;
        }
    }

    public function test_every_rule_of_touch_has_a_row(): void
    {
        $rules = array_map(
            static fn ($row): string => $row->id, (new RuleRegister(Core::clinic()->atlas(), dirname(__DIR__, 2).'/data'))->touchRows(),
        );

        self::assertEqualsCanonicalizing($rules, array_values(array_unique(array_column(self::lines(), 0))));
    }

    /** @return array<int, array{string, string, string, string}> by line */
    private static function lines(): array
    {
        $lines = [];
        foreach (file(dirname(__DIR__).'/tables/touch.txt', FILE_IGNORE_NEW_LINES) ?: [] as $index => $line) {
            if ($line !== '' && $line[0] !== '#') {
                [$rule, $who, $touch, $follows] = array_map(trim(...), explode('|', $line));
                $lines[$index + 1] = [$rule, $who, $touch, $follows];
            }
        }

        return $lines;
    }

    private static function client(string $who): CaseBuilder
    {
        $case = CaseBuilder::aCase();
        $refused = [];
        foreach (array_filter(array_map(trim(...), explode(';', $who))) as $part) {
            [$id, $detail, $zone] = [...explode(' ', $part), '', ''];
            match (true) {
                $id === 'not' => $refused[] = $detail,
                $id === 'flag' => $case->flag($detail),
                $id === 'warm' => $case->felt($detail, 'left', ['texture' => ['warm', 'swollen'], 'tenderness' => 3])
                    ->complaint($zone, 'left'),
                default => $case->condition($id, array_filter([
                    'severity' => in_array($detail, ['mild', 'moderate', 'severe'], true) ? $detail : null,
                    'stage' => in_array($detail, ['acute', 'subacute', 'late', 'settled'], true) ? $detail : null,
                    'since' => str_ends_with($detail, 'd') && is_numeric(rtrim($detail, 'd'))
                        ? (new \DateTimeImmutable('2026-03-02'))->modify('-'.rtrim($detail, 'd').' days')->format('Y-m-d')
                        : null,
                    'zones' => $zone === '' ? null : [['zone' => $zone, 'side' => 'left']],
                ], static fn (mixed $value): bool => $value !== null)),
            };
        }

        return $case->agreed(...array_diff(array_keys(Core::clinic()->atlas()->consentAreas), $refused));
    }

    /**
     * `MUSCLE.SITE TECHNIQUE TOOL POSITION`, or `over ZONE …` for a stroke; `-` where it is left open; the left side, or the right after
     * `>`.
     */
    private static function work(string $touch): ProposedWork
    {
        $atlas = Core::clinic()->atlas();
        $words = explode(' ', $touch);
        $stroke = $words[0] === 'over';
        [$on, $technique, $tool, $position] = [...array_slice($words, $stroke ? 1 : 0), '-', '-', '-'];
        $side = str_starts_with($on, '>') ? Side::Right : Side::Left;
        $on = ltrim($on, '>');
        $open = static fn (string $word): ?string => $word === '-' ? null : $word;
        if ($stroke) {
            return new ProposedWork([$atlas->placeOn($on, $side)], $open($technique), $open($tool), $open($position));
        }
        [$muscle, $site] = [...explode('.', $on), 'belly'];
        $places = array_map(static fn (string $zone): Place => $atlas->placeOn($zone, $side), $atlas->muscle($muscle)->zonesOf($site));

        return new ProposedWork($places, $open($technique), $open($tool), $open($position), null, new MuscleAt($muscle, $side), $site);
    }
}
