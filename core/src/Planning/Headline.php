<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\Handwork\ReasonKind;

/** A plan in one sentence: what is worked so that what can rest, what is measured again, and how much of the time it takes. */
final readonly class Headline
{
    /** @param  float  $stiff  what a joint weighs that was found stiff and explains nothing */
    public function __construct(private Atlas $atlas, private CaseFile $case, private float $stiff)
    {
    }

    /**
     * @param  list<PlanStep>  $steps
     * @param  list<LeftOut>  $leftOut
     */
    public function of(Solution $solution, array $steps, array $leftOut, TimeBudget $clock): string
    {
        $chosen = $solution->chosen;
        if ($chosen === []) {
            return $this->ofNothing($steps, $leftOut);
        }
        $most = max([$this->stiff, ...array_map(
            static fn (Chosen $one): float => $one->target->work === null ? 0.0 : $one->target->weight, $chosen,
        )]);
        // a joint is named first only where it explains more than any muscle does
        $rank = static fn (Target $one): array => [
            ! $one->isFront(), $one->work === null && $one->weight <= $most, $one->isTendon(), -round($one->weight, 9), $one->key,
        ];
        usort($chosen, static fn (Chosen $a, Chosen $b): int => $rank($a->target) <=> $rank($b->target));
        $first = $chosen[0]->target;
        $sore = $this->sorest();
        $over = $sore !== null && $first->side === $sore->side && in_array($sore->zone, $first->zones, true);
        $checks = array_merge($this->checks($steps, true), $this->checks($steps, false));

        $name = ucfirst($this->sided($first->name));
        $does = match (true) {
            $first->isFront() =>
                "The {$first->side->value} side works and shortens in front, the {$first->side->mirrored()->value} gives way behind: "
                .lcfirst($name).' lets go first',
            $first->joint !== null => "$name is moved, small and slow",
            $first->isTendon() => "$name is worked lightly",
            default => "$name lets go",
        };

        return $does
            .($sore === null || $over || ! $this->sendsTo($first, $sore) ? '' : ', so that '.$this->place($sore).' can rest')
            .($checks === [] ? '' : '; then measure again: '.implode('; ', array_slice($checks, 0, 2)))
            .'.'.$this->unfelt($chosen).$this->time($steps, $clock);
    }

    /**
     * Where nobody has felt anything, the ranking alone chose.
     *
     * @param  list<Chosen>  $chosen
     */
    private function unfelt(array $chosen): string
    {
        $muscles = array_filter($chosen, static fn (Chosen $one): bool => $one->target->work !== null);

        $felt = array_filter($muscles, static fn (Chosen $one): bool => $one->target->work?->felt->isFelt() === true);

        return $muscles === [] || $felt !== []
            ? '' : ' Nobody has felt any of it yet: feel each before it is pressed.';
    }

    /**
     * Where nothing is pressed: whether nothing needs it, or what was found waits for a yes, or may not be.
     *
     * @param  list<PlanStep>  $steps
     * @param  list<LeftOut>  $leftOut
     */
    private function ofNothing(array $steps, array $leftOut): string
    {
        if (self::has($steps, StepKind::Cold)) {
            return 'Cold around it, and no hand on what is inflamed; then calm, and compare.';
        }
        $asks = array_values(array_filter($leftOut, static fn (LeftOut $one): bool => ! in_array(
            $one->reason->kind, [ReasonKind::Unfelt, ReasonKind::Quiet, ReasonKind::Course, ReasonKind::Dropped, ReasonKind::Worth], true,
        )));
        $areas = array_values(array_unique(array_map(
            fn (LeftOut $one): string => 'the '.$this->atlas->consentAreas[$one->reason->id]->name,
            array_filter($asks, static fn (LeftOut $one): bool => $one->reason->kind === ReasonKind::Consent),
        )));

        return match (true) {
            $areas !== [] =>
                'What was found lies where nobody has agreed to yet: '.implode(', ', $areas).'. Ask; until then calm, warm and compare.',
            $asks !== [] && $asks[0]->reason->kind === ReasonKind::Done => 'Enough was worked for today: calm, warm and compare.',
            $asks !== [] => ucfirst($this->sided(lcfirst($asks[0]->name))).' is not pressed today: calm, warm and compare.',
            self::has($steps, StepKind::Feel) =>
                'Nothing was felt that asks for pressure: feel what is suspected, then calm, warm and compare.',
            default => 'Nothing asks for pressure today: calm, warm and compare.',
        };
    }

    /** @param  list<PlanStep>  $steps */
    private static function has(array $steps, StepKind $kind): bool
    {
        return array_filter($steps, static fn (PlanStep $step): bool => $step->kind === $kind) !== [];
    }

    /**
     * @param  list<PlanStep>  $steps
     * @return list<string> what is measured, or pressed, again
     */
    private function checks(array $steps, bool $measured): array
    {
        $texts = [];
        foreach ($steps as $step) {
            if ($step->check !== null && ($step->check['kind'] !== Check::PRESSED) === $measured) {
                $texts[$step->check['text']] = true;
            }
        }

        return array_map(strval(...), array_keys($texts));
    }

    /** What lets go is known to be felt there, or leads the whole pattern. */
    private function sendsTo(Target $target, Complaint $sore): bool
    {
        $muscle = $target->work?->muscle;

        return $target->isFront() || ($muscle !== null && $target->side === $sore->side
            && in_array($sore->zone, [...$muscle->coreReferral, ...$muscle->spillOver], true));
    }

    private function place(Complaint $sore): string
    {
        return $this->sided($sore->side->named($this->atlas->zone($sore->zone)->definite()));
    }

    /** "Side of the neck, left" within a sentence. */
    private function sided(string $name): string
    {
        return (string) preg_replace('/, (left|right)$/', ' on the $1', $name);
    }

    private function sorest(): ?Complaint
    {
        $complaints = array_filter($this->case->findings->complaints, static fn (Complaint $one): bool => ($one->now ?? 1) > 0);
        usort($complaints, static fn (Complaint $a, Complaint $b): int => [-($a->now ?? 0), $a->place()->key()]
            <=> [-($b->now ?? 0), $b->place()->key()]);

        return $complaints[0] ?? null;
    }

    /** @param  list<PlanStep>  $steps */
    private function time(array $steps, TimeBudget $clock): string
    {
        $minutes = (int) round(array_sum(array_map(static fn (PlanStep $step): float => $step->minutes, $steps)));
        $given = intdiv($clock->budget, TimeBudget::PER_MINUTE);

        return $minutes >= $given - 1 ? '' : " $minutes of $given minutes are worth working; the rest is left free.";
    }
}
