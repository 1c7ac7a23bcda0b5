<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Tissue;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ConditionAnswer;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\CaseFile\Stage;
use Somatrace\Core\Pattern\Role;
use Somatrace\Core\Pattern\TriggerPoint;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\TouchGate;

/** What each muscle is found like today. */
final readonly class SituationReader
{
    /** @var array<string, true> regions on which there was work at an earlier visit */
    private array $known;

    public function __construct(
        private Atlas $atlas,
        private PlanFigures $figures,
        private Recipes $recipes,
        private CaseFile $case,
        private School $school,
        private TouchGate $gate,
        private Exposed $exposed,
    ) {
        $known = [];
        foreach ($exposed->muscles() as $muscle) {
            foreach ($atlas->muscle($muscle)->zones as $zone) {
                $known[$figures->region($zone)] = true;
            }
        }
        $this->known = $known;
    }

    public function of(MuscleAt $at, Role $role, TriggerPoint $point, Felt $felt): Situation
    {
        $muscle = $this->atlas->muscle($at->muscle);
        $places = array_map(static fn (string $zone): Place => new Place($zone, $at->side), $muscle->zones);

        // what is bound to an inflamed place is inflamed with it
        $bound = array_map(static fn (string $zone): Place => new Place($zone, $at->side), $muscle->everyZone());

        return match (true) {
            $this->isAcute($bound) => Situation::Acute,
            $felt->isInSpasm() => Situation::Spasm,
            $this->isFirstTime($muscle) && $this->isDelicatePlace($muscle) => Situation::FirstDelicate,
            $muscle->isStructure && $muscle->tissue === Tissue::Delicate => $this->tendon($places),
            $this->isFirstTime($muscle) => Situation::First,
            $role === Role::Overstretched => Situation::Overstretched,
            $this->wasStrained($places) => Situation::Strained,
            $felt->isStuck() => Situation::Stuck,
            in_array($point, [TriggerPoint::Active, TriggerPoint::Latent], true) && $felt->points() !== [] => Situation::Point,
            default => Situation::Taut,
        };
    }

    /** No work on any muscle of that region at an earlier visit. */
    public function isFirstTime(Muscle $muscle): bool
    {
        return $this->exposed->visitsOf($muscle->id) === 0 && ! isset($this->known[$this->figures->region($muscle->zones[0] ?? '')]);
    }

    private function isDelicatePlace(Muscle $muscle): bool
    {
        return array_intersect($muscle->zones, $this->recipes->firstPlaces) !== []
            && ($muscle->tissue === Tissue::Delicate || $muscle->consent !== null);
    }

    /** @param  list<Place>  $places */
    private function isAcute(array $places): bool
    {
        foreach ($this->gate->against(new ProposedWork($places, $this->recipes->barredWhenAcute)) as $limit) {
            if (in_array($this->recipes->acuteRule, $limit->rules, true)) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<Place>  $places */
    private function tendon(array $places): Situation
    {
        if (! $this->isLate($places)) {
            return Situation::TendonEarly;
        }

        return match ($this->school->chose('tendon')) {
            'cross_fibre' => Situation::TendonAcross,
            'broad_only' => Situation::TendonBroad,
            default => Situation::TendonPinned,
        };
    }

    /**
     * Late is what was said or shown of the tendon; where nobody said anything of it, every complaint has to be older than that.
     *
     * @param  list<Place>  $places
     */
    private function isLate(array $places): bool
    {
        $answers = $this->answers($this->recipes->tendonCondition, $places);
        foreach ($answers as $answer) {
            $days = $answer->since === null ? null : Dates::days($answer->since, $this->case->asOf);
            if (
                ! in_array($answer->stage, [Stage::Late, Stage::Settled], true)
                    && ($days === null || $days <= $this->figures->lateStageDays)
            ) {
                return false;
            }
        }
        if ($answers !== []) {
            return true;
        }
        foreach ($this->case->findings->complaints as $complaint) {
            if ($complaint->since === null || Dates::days($complaint->since, $this->case->asOf) <= $this->figures->lateStageDays) {
                return false;
            }
        }

        return true;
    }

    /** @param  list<Place>  $places */
    private function wasStrained(array $places): bool
    {
        return $this->answers($this->recipes->strainCondition, $places) !== [];
    }

    /**
     * @param  list<Place>  $places
     * @return list<ConditionAnswer> said yes to, of a place among these
     */
    private function answers(string $condition, array $places): array
    {
        $keys = array_map(static fn (Place $place): string => $place->key(), $places);

        return array_values(array_filter(
            $this->case->health->conditions,
            static fn (ConditionAnswer $one): bool => $one->condition === $condition && $one->answer === Answer::Yes
                && array_intersect(array_map(static fn (Place $place): string => $place->key(), $one->zones), $keys) !== [],
        ));
    }
}
