<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Support;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Handwork\Exposed;
use Somatrace\Core\Handwork\Felt;
use Somatrace\Core\Handwork\Manoeuvre;
use Somatrace\Core\Handwork\PlanFigures;
use Somatrace\Core\Handwork\StiffJoints;
use Somatrace\Core\Planning\PlanResult;
use Somatrace\Core\Planning\PlanStep;
use Somatrace\Core\Planning\StepKind;

/** What no plan may break, said of one plan as sentences: written from the notes on handwork, not from the planner. */
final readonly class PlanRules
{
    /** most minutes a visit and side: usually, and the first time */
    private const MINUTES = ['delicate' => [4, 2], 'ordinary' => [8, 8], 'robust' => [12, 12]];

    private const TENDON_MINUTES = 4;

    private const POINTS = ['delicate' => [2, 60], 'ordinary' => [3, 90], 'robust' => [3, 90]];

    private const FIRM = 5;

    private const HANDS = ['thumb' => 8, 'fingers' => 20, 'wrist' => 25, 'elbow' => 35];

    private Atlas $atlas;

    private PlanFigures $figures;

    public function __construct()
    {
        $this->atlas = Core::clinic()->atlas();
        $this->figures = PlanFigures::load(dirname(__DIR__, 2).'/data');
    }

    /** @return list<string> what is broken, in words; none of a sound plan */
    public function broken(CaseFile $case, PlanResult $plan): array
    {
        $treats = array_values(array_filter($plan->steps, static fn (PlanStep $step): bool => $step->kind === StepKind::Treat));

        return [
            ...$this->doses($treats), ...$this->minutes($case, $treats), ...$this->totals($case, $treats), ...$this->hands($case, $treats),
            ...$this->skin($plan), ...$this->lost($case, $plan, $treats), ...$this->unfelt($case, $plan, $treats),
            ...$this->otherSide($case, $treats), ...$this->rounds($treats),
        ];
    }

    /**
     * @param  list<PlanStep>  $treats
     * @return list<string>
     */
    private function doses(array $treats): array
    {
        $broken = [];
        $points = [];
        foreach ($treats as $step) {
            foreach ($step->manoeuvres as $one) {
                $technique = $this->atlas->technique($one->technique);
                $most = max(array_map(static fn ($dose): float => $dose->limitSeconds(), $technique->doses));
                if ($one->seconds > $most + 1e-9 && $step->joint === null) {
                    $broken[] = "{$step->label}: {$one->technique} for {$one->seconds} s at one spot, $most at most";
                }
                $band = max($technique->pressure->most ?? 10, $technique->robustPressure ?? 0);
                if (($one->pressure ?? 0) > $band) {
                    $broken[] = "{$step->label}: {$one->technique} at {$one->pressure}, $band at most";
                }
                if ($technique->pressure === null && $one->pressure !== null && $step->joint === null) {
                    $broken[] = "{$step->label}: {$one->technique} presses nothing";
                }
                $spots = $step->at === null ? [] : $this->atlas->handwork()->spotsOf($step->at->muscle)->spots;
                foreach ($step->at === null ? [] : $one->spots as $spot) {
                    if ($spots[$spot]->gloved && ! str_contains($one->product, 'glove')) {
                        $broken[] = "{$step->label}: {$spots[$spot]->name} without a glove";
                    }
                }
                if ($one->technique === 'trigger_point_hold' && $step->at !== null) {
                    foreach ($one->spots as $spot) {
                        $points[$step->at->key()][$spot] = true;
                    }
                    [$spots, $seconds] = self::POINTS[$this->atlas->muscle($step->at->muscle)->tissue->value];
                    if (count($points[$step->at->key()] ?? []) > $spots || $one->seconds > $seconds) {
                        $broken[] = "{$step->label}: more points, or held longer, than may be";
                    }
                }
            }
        }

        return $broken;
    }

    /**
     * @param  list<PlanStep>  $treats
     * @return list<string>
     */
    private function minutes(CaseFile $case, array $treats): array
    {
        $broken = [];
        $exposed = Exposed::of($case);
        $share = $this->share($case);
        foreach ($this->byMuscle($treats) as $key => $minutes) {
            $muscle = $this->atlas->muscle(explode(':', $key)[0]);
            $first = $this->isFirstIn($exposed, $muscle->zones[0] ?? '');
            // of a tendon and the forearm the first time has no line of its own
            $most = $muscle->isStructure ? self::TENDON_MINUTES : self::MINUTES[$muscle->tissue->value][0];
            $most = $first && ! $muscle->isStructure && $this->isFirstPlace($muscle->zones)
                ? self::MINUTES[$muscle->tissue->value][1]
                : $most;
            if ($muscle->tissue->value !== 'delicate' && $muscle->isStructure && str_contains($muscle->id, 'fascia')) {
                $most = self::MINUTES['ordinary'][0];
            }
            if ($minutes > $share * $most + 1e-6) {
                $broken[] = sprintf('%s: %.1f minutes, %.1f at most', $key, $minutes, $share * $most);
            }
        }

        return $broken;
    }

    /** Nobody has worked any muscle of that region before. */
    private function isFirstIn(Exposed $exposed, string $zone): bool
    {
        $region = $this->figures->region($zone);

        $known = array_merge([], ...array_map(fn (string $id): array => $this->atlas->muscle($id)->zones, $exposed->muscles()));

        return ! in_array($region, array_map($this->figures->region(...), $known), true);
    }

    /** @param  list<string>  $zones */
    private function isFirstPlace(array $zones): bool
    {
        return array_intersect(array_slice($zones, 0, 1), [
            'neck_front', 'neck_side', 'jaw_angle', 'cheek', 'temple', 'chin', 'armpit', 'abdomen_upper', 'abdomen_lower', 'groin',
        ]) !== [];
    }

    /**
     * @param  list<PlanStep>  $treats
     * @return list<string>
     */
    private function totals(CaseFile $case, array $treats): array
    {
        $broken = [];
        foreach ($this->figures->regionTotals as $total) {
            $sum = [];
            foreach ($this->byMuscle($treats) as $key => $minutes) {
                [$id, $side] = explode(':', $key);
                $part = $total->part(new MuscleAt($id, Side::from($side)));
                if ($part !== null) {
                    $sum[$part] = ($sum[$part] ?? 0) + $minutes;
                }
            }
            $most = $this->share($case) * $total->most(Exposed::of($case));
            foreach ($sum as $part => $minutes) {
                if ($minutes > $most + 1e-6) {
                    $broken[] = sprintf('%s: %.1f minutes together, %.1f at most', $part, $minutes, $most);
                }
            }
        }

        return $broken;
    }

    /**
     * @param  list<PlanStep>  $treats
     * @return list<string>
     */
    private function hands(CaseFile $case, array $treats): array
    {
        $spent = [];
        foreach ($treats as $step) {
            foreach ($step->manoeuvres as $one) {
                if (in_array($one->tool, $case->therapist->injured, true)) {
                    return ["{$step->label}: {$one->tool} is to be spared"];
                }
                $part = $this->atlas->tool($one->tool)->costs;
                $spent[$part] = ($spent[$part] ?? 0) + (($one->pressure ?? 0) >= self::FIRM ? $one->totalSeconds() / 60 : 0);
            }
        }

        return array_values(array_filter(array_map(
            static fn (string $part, float $minutes): ?string => $minutes > self::HANDS[$part] + 1e-6
                ? sprintf('%s: %.1f firm minutes, %d at most', $part, $minutes, self::HANDS[$part]) : null,
            array_keys($spent), $spent,
        )));
    }

    /** @return list<string> oil before something that wants grip, without a wipe between */
    private function skin(PlanResult $plan): array
    {
        $broken = [];
        $oily = false;
        foreach ($plan->steps as $step) {
            if ($step->what === 'wipe') {
                $oily = false;
            }
            foreach ($step->kind === StepKind::Treat ? $step->manoeuvres : [] as $one) {
                $dry = $this->atlas->technique($one->technique)->skin->value === 'dry';
                if ($oily && $dry && ! $this->atlas->isOil($one->product)) {
                    $broken[] = "{$step->label}: {$one->technique} wants grip and there is oil";
                }
                $oily = $oily || $this->atlas->isOil($one->product);
            }
            $oily = $oily || ($step->kind === StepKind::WarmUp && $this->atlas->isOil((string) $step->product));
        }

        return array_slice($broken, 0, 1);
    }

    /**
     * @param  list<PlanStep>  $treats
     * @return list<string>
     */
    private function lost(CaseFile $case, PlanResult $plan, array $treats): array
    {
        $there = array_fill_keys([
            ...array_map(static fn (PlanStep $step): string => (string) $step->target, $treats),
            ...array_map(static fn ($left): string => $left->key, $plan->leftOut),
        ], true);
        $lost = [];
        foreach (Felt::everywhere($case) as $key => $felt) {
            if ($felt->isFound() && ! isset($there[$key])) {
                $lost[] = "$key was found and is lost";
            }
        }
        foreach ((new StiffJoints($this->atlas, $this->figures, $case))->all() as $key => $at) {
            if (! isset($there[$key])) {
                $lost[] = "$key was found stiff and is lost";
            }
        }

        // where nothing is a muscle's pain, nothing is worked for being found
        return Core::clinic()->rank($case)->ofNone->leads ? [] : $lost;
    }

    /**
     * @param  list<PlanStep>  $treats
     * @return list<string>
     */
    private function unfelt(CaseFile $case, PlanResult $plan, array $treats): array
    {
        $felt = array_filter(Felt::everywhere($case), static fn (Felt $one): bool => $one->isFelt());
        $broken = count(array_filter($plan->steps, static fn (PlanStep $step): bool => $step->kind === StepKind::Feel)) > 4
            ? ['more than four are felt first']
            : [];
        $equal = ($case->session->school['both_sides'] ?? null) === 'always_equal';
        $picked = array_map(static fn ($one): string => $one->key(), $case->session->targets);
        $decided = array_map(static fn ($one): string => $one->at->key(), Core::clinic()->respond($case)->targets);
        foreach ($felt === [] ? [] : $treats as $step) {
            $key = $step->at?->key();
            if ($key !== null && ! isset($felt[$key]) && ! $step->otherSide && ! in_array($key, [...$picked, ...$decided], true)) {
                $broken[] = "{$step->label}: worked, and nobody felt it";
            }
            foreach ($step->manoeuvres as $one) {
                $points = $key === null ? [] : (Felt::everywhere($case)[$key] ?? Felt::nothing())->points();
                if ($one->technique === 'trigger_point_hold' && ($points === [] || ($step->otherSide && ! $equal))) {
                    $broken[] = "{$step->label}: a point is held that nobody found";
                }
            }
        }

        return $broken;
    }

    /**
     * @param  list<PlanStep>  $treats
     * @return list<string>
     */
    private function otherSide(CaseFile $case, array $treats): array
    {
        if (($case->session->school['both_sides'] ?? null) === 'always_equal') {
            return [];
        }
        $broken = [];
        foreach ($treats as $step) {
            $own = array_values(array_filter($treats, static fn (PlanStep $one): bool => ! $one->otherSide
                && $one->at?->key() === $step->at?->mirrored()->key()));
            if (! $step->otherSide || $own === []) {
                continue;
            }
            $strongest = static fn (PlanStep ...$steps): float => max([0.0, ...array_map(
                static fn (Manoeuvre $one): float => $one->pressure ?? 0, array_merge(...array_map(
                    static fn (PlanStep $one): array => $one->manoeuvres, array_values($steps),
                )),
            )]);
            $minutes = array_sum(array_map(static fn (PlanStep $one): float => $one->minutes, $own));
            if ($strongest($step) > max(1, $strongest(...$own) - 1) + 1e-9 || $step->minutes > $minutes / 2 + 1e-6) {
                $broken[] = "{$step->label}: the other side is not lighter and shorter";
            }
        }

        return $broken;
    }

    /**
     * @param  list<PlanStep>  $treats
     * @return list<string>
     */
    private function rounds(array $treats): array
    {
        $broken = [];
        $seen = [];
        foreach ($treats as $step) {
            $key = "$step->target {$step->round} ".($step->otherSide ? 'other' : '').($step->technique === 'intraoral_hold' ? 'mouth' : '');
            if (! $step->otherSide && isset($seen[$key])) {
                $broken[] = "{$step->label}: round {$step->round} twice";
            }
            $seen[$key] = true;
            if ($step->round > 3 && $step->technique !== 'intraoral_hold') {
                $broken[] = "{$step->label}: gone over {$step->round} times";
            }
        }

        return $broken;
    }

    /**
     * @param  list<PlanStep>  $treats
     * @return array<string, float> by muscle and side
     */
    private function byMuscle(array $treats): array
    {
        $minutes = [];
        foreach ($treats as $step) {
            if ($step->at !== null) {
                $minutes[$step->at->key()] = ($minutes[$step->at->key()] ?? 0) + $step->minutes;
            }
        }

        return $minutes;
    }

    /** From 75 years, in pregnancy, with thin skin, long steroids or widespread sensitivity: two thirds. */
    private function share(CaseFile $case): float
    {
        return $this->figures->frailty->share($case);
    }
}
