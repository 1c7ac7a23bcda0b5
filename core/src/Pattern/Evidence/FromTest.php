<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\TestFinding;
use Somatrace\Core\Pattern\RankingContext;
use Somatrace\Core\Pattern\SignBook;

/**
 * Tests of known muscles: those that measure length, a leg that does not glide, a thigh that stays up, weighed like a movement that
 * lengthens them; and those that are answered, weighed by how well they tell.
 */
final readonly class FromTest implements Collector
{
    public function collect(RankingContext $context, SignBook $book): void
    {
        $values = [];
        foreach ($context->case->findings->tests as $finding) {
            $values[$finding->test.':'.$finding->side->value] = $finding->value;
        }
        foreach ($context->case->findings->tests as $finding) {
            $test = $context->atlas->test($finding->test);
            $this->tells($context, $book, $finding);
            $steps = $test->short === [] ? null : StepsShort::of($test, [[$finding->value, $this->across($values, $finding)]]);
            if ($steps === null) {
                continue;
            }
            $name = $finding->side->after($test->name);
            $sign = $context->sign(
                'shortness', 'short_'.min(3, $steps),
                static fn (): string => $steps === 0 ? "$name is as usual: nothing short there" : "$name says it is short",
                $finding->test.':'.$finding->side->value,
            );
            foreach ($test->short as $muscle) {
                foreach ($finding->side === Side::Midline ? Side::pair() : [$finding->side] as $side) {
                    foreach ($context->meant(new MuscleAt($muscle, $side)) as $at) {
                        $book->add($at, $sign);
                    }
                }
            }
        }
    }

    /** What its answer says of muscles, by how well it tells. */
    private function tells(RankingContext $context, SignBook $book, TestFinding $finding): void
    {
        foreach ($context->atlas->test($finding->test)->speaksOf as $nth => $one) {
            $sign = $one->muscles === [] ? null : TestSign::of($context, $one, $finding, "{$finding->test}:{$finding->side->value}:$nth");
            if ($sign === null) {
                continue;
            }
            foreach ($one->muscles as $muscle) {
                foreach ($finding->side === Side::Midline ? Side::pair() : [$finding->side] as $side) {
                    foreach ($context->meant(new MuscleAt($muscle, $side)) as $at) {
                        $book->add($at, $sign);
                    }
                }
            }
        }
    }

    /** @param  array<string, float|null>  $values */
    private function across(array $values, TestFinding $finding): ?float
    {
        return $finding->side === Side::Midline ? null : $values[$finding->test.':'.$finding->side->mirrored()->value] ?? null;
    }
}
