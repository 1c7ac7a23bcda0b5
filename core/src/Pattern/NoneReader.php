<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\PalpationFinding;
use Somatrace\Core\Findings\Reproduction;

/**
 * Reads what speaks against every muscle at once: a pain that nothing examined brings on, hard ends, waking at night, pain out of
 * proportion, many silent muscles.
 */
final readonly class NoneReader
{
    public function __construct(private NoneFigures $figures, private Reproduction $reproduction)
    {
    }

    public function of(CaseFile $case): NoneOfThese
    {
        $unexplained = $this->reproduction->unexplained($case, $this->figures->examinedMovements, $this->figures->examinedMuscles);
        $felt = array_filter($case->findings->palpation, static fn (PalpationFinding $one): bool => $one->tenderness !== null);
        $answering = array_filter(
            $felt, static fn (PalpationFinding $one): bool => $one->tenderness >= 2 || $one->familiar === Answer::Yes,
        );
        $strongest = max([0.0, ...array_map(static fn ($complaint): float => $complaint->now ?? 0.0, $case->findings->complaints)]);
        $hard = array_filter(
            $case->findings->range, static fn ($one): bool => in_array($one->endFeel, ['hard', 'empty', 'springy'], true) && $one->pain > 0,
        );
        $wakes = array_filter(
            $case->findings->tests,
            fn ($one): bool => $one->test === $this->figures->nightTest && $one->result === 'positive',
        );
        $evidence = [];
        foreach ([
            'unexplained' => [$unexplained, $this->figures->unexplained, 'No movement, resistance or touch of the region brought it on'],
            'hard_end' => [$hard !== [], $this->figures->hardEnd, 'A movement ends hard, empty or blocked, and hurts'],
            'night_waking' => [$wakes !== [], $this->figures->nightWaking, 'It wakes at night'],
            'out_of_proportion' => [
                $strongest >= $this->figures->strongPain && $felt !== [] && $answering === [], $this->figures->outOfProportion,
                'The pain is strong, and nothing felt answers to it',
            ],
            'silent' => [
                count($felt) >= $this->figures->silentMuscles && $answering === [], $this->figures->silent,
                'Many muscles were felt, and all are silent',
            ],
        ] as $code => [$holds, $weight, $text]) {
            if ($holds) {
                $evidence[] = ['code' => $code, 'weight' => $weight, 'text' => $text];
            }
        }

        return new NoneOfThese($evidence, $unexplained);
    }
}
