<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Support;

use Somatrace\Core\Handwork\Manoeuvre;
use Somatrace\Core\Planning\PlanResult;
use Somatrace\Core\Planning\PlanStep;

/** A plan as somebody would read it at the table: what, where, with what, how often, how strong, with which words. */
final readonly class PlanText
{
    public static function of(PlanResult $plan): string
    {
        $lines = [$plan->headline === '' ? $plan->because : $plan->headline];
        foreach ($plan->steps as $step) {
            $lines[] = self::step($step);
            array_push($lines, ...array_map(self::manoeuvre(...), $step->manoeuvres));
        }
        foreach ($plan->leftOut as $one) {
            $told = $one->toArray();
            $lines[] = "  left out: {$told['name']} ({$told['reason']}) {$told['because']}".(
                $told['bring_in'] === null ? '' : " {$told['bring_in']}"
            );
        }

        return implode("\n", $lines)."\n";
    }

    private static function step(PlanStep $step): string
    {
        $passes = array_map(static fn ($pass): string => "{$pass->pressure} for ".round($pass->seconds).' s', $step->passes);

        return sprintf('%5.2f  %s', $step->minutes, implode(' · ', array_filter([
            $step->label, $step->position, $step->round === null || $step->round === 1 ? null : "round $step->round",
            $step->otherSide ? 'the other side' : null, in_array($step->product, [null, 'none'], true) ? null : $step->product,
            $step->manoeuvres === [] && $passes !== [] ? implode(', ', $passes) : null,
            $step->manoeuvres === [] && $step->places !== []
                ? implode(' ', array_map(static fn ($place): string => $place->key(), $step->places))
                : null,
            $step->manoeuvres === [] || in_array($step->kind->value, ['finish', 'soothe'], true) ? $step->why : null,
        ])));
    }

    private static function manoeuvre(Manoeuvre $one): string
    {
        return '         '.implode(' · ', array_filter([
            str_replace('_', ' ', $one->technique).": {$one->do}", $one->spotNames === [] ? null : 'at '.implode(', ', $one->spotNames),
            $one->setup === null ? null : str_replace('_', ' ', $one->setup['id']).' '.$one->setup['side']->value,
            "{$one->repeats} × {$one->seconds} s",
            $one->pressure === null ? null : "felt {$one->pressure}", str_replace('_', ' ', $one->tool),
            $one->product === 'none' ? null : $one->product, $one->say === null ? null : "“{$one->say}”",
            $one->branch === null ? null : "{$one->branch->ask}",
        ]));
    }
}
