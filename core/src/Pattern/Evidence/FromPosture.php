<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern\Evidence;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Relation;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Pattern\RankingContext;
use Somatrace\Core\Pattern\SignBook;

/** What standing and lying say is short, or long. */
final readonly class FromPosture implements Collector
{
    public function collect(RankingContext $context, SignBook $book): void
    {
        foreach ($context->case->findings->posture as $finding) {
            $sign = $context->atlas->postureSigns[$finding->sign];
            $weight = match (true) {
                $finding->grade >= 2 => 'posture_marked',
                $finding->grade === 1 => 'posture_slight',
                default => 'posture_absent',
            };
            $name = $finding->side->after($sign->name);
            $short = $context->sign(
                'posture', $weight,
                static fn (): string => $finding->grade === 0 ? "$name was looked for and is not there" : "$name says it is short",
                $finding->sign.':'.$finding->side->value,
            );
            $long = $context->sign(
                'posture', 'posture_long', static fn (): string => "$name says it is long, overstretched",
                $finding->sign.':'.$finding->side->value,
            );
            foreach ($sign->short as $muscle => $relation) {
                foreach ($this->places($context, $muscle, $finding->side, $relation) as $at) {
                    $book->add($at, $short);
                }
            }
            foreach ($finding->grade === 0 ? [] : $sign->long as $muscle => $relation) {
                foreach ($this->places($context, $muscle, $finding->side, $relation) as $at) {
                    $book->add($at, $long);
                }
            }
        }
    }

    /** @return list<MuscleAt> a sign on the midline speaks of both sides */
    private function places(RankingContext $context, string $muscle, Side $side, Relation $relation): array
    {
        return array_merge(...array_map(
            static fn (Side $one): array => $context->meant(new MuscleAt($muscle, $one)),
            $side === Side::Midline ? Side::pair() : [$side->related($relation)],
        ));
    }
}
