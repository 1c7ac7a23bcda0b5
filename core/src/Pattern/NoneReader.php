<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\PalpationFinding;
use Somatrace\Core\CaseFile\RangeFinding;
use Somatrace\Core\CaseFile\TestFinding;
use Somatrace\Core\Findings\Reproduction;
use Somatrace\Core\Pattern\Evidence\FromResisted;
use Somatrace\Core\Pattern\Evidence\HardEnd;
use Somatrace\Core\Pattern\Evidence\PainBrought;
use Somatrace\Core\Pattern\Evidence\TestSign;

/**
 * Reads what speaks against every muscle at once: a pain that nothing examined brings on, hard ends, waking at night, pain out of
 * proportion, many silent muscles.
 */
final readonly class NoneReader
{
    private const FEW = 2;

    /** Where a sign does not say which nerve. */
    private const ANY_NERVE = 'any_nerve';

    public function __construct(private NoneFigures $figures, private Reproduction $reproduction)
    {
    }

    /** @param  float  $best  the strongest muscle or joint, as it enters the shares */
    public function of(RankingContext $context, float $best): NoneOfThese
    {
        $case = $context->case;
        $unexplained = $this->reproduction->unexplained($case, $this->figures->examinedMovements, $this->figures->examinedMuscles);
        $felt = array_filter($case->findings->palpation, static fn (PalpationFinding $one): bool => $one->tenderness !== null);
        $answering = array_filter(
            $felt, static fn (PalpationFinding $one): bool => $one->tenderness >= 2 || $one->familiar === Answer::Yes,
        );
        $strongest = max([0.0, ...array_map(static fn ($complaint): float => $complaint->now ?? 0.0, $case->findings->complaints)]);
        $hard = array_filter(
            $case->findings->range, static fn (RangeFinding $one): bool => HardEnd::is($one->endFeel) && $one->pain > 0,
        );
        $asked = array_filter($case->findings->palpation, static fn (PalpationFinding $one): bool => $one->familiar !== null);
        // two or three are few, and each further one says more
        $notOwn = max(0.0, min(1.0, (count($asked) - self::FEW) / $this->figures->silentMuscles));
        [$nerve, $answers] = $this->nerve($context);
        $wakes = array_filter(
            $case->findings->tests,
            fn ($one): bool => $one->test === $this->figures->nightTest && $one->result === 'positive',
        );
        $evidence = [];
        foreach ([
            'unexplained' => [$unexplained, $this->figures->unexplained, 'No movement, resistance or touch of the region brought it on'],
            'hard_end' => [
                $hard !== [], $context->figures->addedUp(array_fill(0, count($hard), $this->figures->hardEnd)),
                'A movement ends hard, empty or blocked, and hurts',
            ],
            'nerve' => [$nerve > 0, $nerve, 'A nerve answers: '.implode('; ', $answers)],
            'night_waking' => [$wakes !== [], $this->figures->nightWaking, 'It wakes at night'],
            'out_of_proportion' => [
                $strongest >= $this->figures->strongPain && $felt !== [] && $answering === [], $this->figures->outOfProportion,
                'The pain is strong, and nothing felt answers to it',
            ],
            'not_own' => [
                $notOwn > 0 && ! $this->isBrought($context, $asked), $this->figures->notOwn * $notOwn,
                'Nothing that was felt or sprung brings on their own pain',
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

        $weight = array_sum(array_column($evidence, 'weight'));
        $leads = $weight >= $this->figures->leadFrom && $context->figures->tempered($context->figures->noneLogOdds + $weight) > $best;

        return new NoneOfThese($evidence, $unexplained || $leads);
    }

    /** @param  array<PalpationFinding>  $asked */
    private function isBrought(RankingContext $context, array $asked): bool
    {
        // what is hardly tender is seldom where it comes from, and a free joint that hurts is common
        return array_filter(
            $asked, static fn (PalpationFinding $one): bool => $one->familiar === Answer::Yes && ($one->tenderness ?? 2) >= 2,
        ) !== [] || array_filter(
            $context->case->findings->tests,
            static fn (TestFinding $one): bool => PainBrought::counts($one->pain) && $one->value !== null && $one->value <= 1,
        ) !== [];
    }

    /**
     * What speaks for a nerve: tests of one site, how it feels, weakness without pain. What speaks against that site takes from it, and
     * from nothing else; of several sites the strongest counts.
     *
     * @return array{float, list<string>} weight, and what answers
     */
    private function nerve(RankingContext $context): array
    {
        [$for, $against, $answers] = [[self::ANY_NERVE => []], [], [self::ANY_NERVE => []]];
        foreach ($context->case->findings->tests as $finding) {
            $test = $context->atlas->test($finding->test);
            foreach ($test->speaksOf as $one) {
                $says = $one->none === null ? null : TestSign::says($context, $one, $finding);
                if ($says !== null) {
                    $weight = $this->figures->nerveTests * $one->weight($says);
                    $weight > 0 ? $for[$one->none][] = $weight : $against[$one->none][] = -$weight;
                    if ($says) {
                        $answers[$one->none][] = lcfirst($finding->side->after($test->name));
                    }
                }
            }
        }
        foreach ($context->complaints as $complaint) {
            $felt = array_intersect($complaint->qualities, $this->figures->nerveQualities);
            if ($felt !== []) {
                $for[self::ANY_NERVE][] = $this->figures->nerveQuality;
                $answers[self::ANY_NERVE][] = 'it feels '.implode(' and ', $felt);
            }
        }
        foreach ($context->case->findings->resisted as $finding) {
            if ($finding->strength !== null && $finding->strength <= FromResisted::WEAK && $finding->pain === 0.0) {
                $for[self::ANY_NERVE][] = $this->figures->nerveWeak;
                $name = $finding->side->after($context->atlas->movement($finding->movement)->name);
                $answers[self::ANY_NERVE][] = lcfirst($name).' is weak without pain';
            }
        }
        $strongest = [0.0, []];
        foreach ($for as $site => $weights) {
            $own = $site === self::ANY_NERVE ? $weights : [...$weights, ...$for[self::ANY_NERVE]];
            $not = [...$against[$site] ?? [], ...$site === self::ANY_NERVE ? [] : $against[self::ANY_NERVE] ?? []];
            $sum = $context->figures->addedUp($own) - $context->figures->addedUp($not);
            $said = array_values(array_unique([...$answers[$site] ?? [], ...$answers[self::ANY_NERVE]]));
            if ($sum > $strongest[0] && $said !== []) {
                sort($said);
                $strongest = [$sum, $said];
            }
        }

        return $strongest;
    }
}
