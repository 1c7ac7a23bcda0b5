<?php

declare(strict_types=1);

namespace Somatrace\Core\HomeCare;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\SelfCare;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Aftermath;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Stage;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Pattern\Role;
use Somatrace\Core\Safety\ConditionRule;
use Somatrace\Core\Safety\ConditionTissue;
use Somatrace\Core\Safety\Effect;
use Somatrace\Core\Safety\Limit;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\Question;
use Somatrace\Core\Safety\SafetyResult;
use Somatrace\Core\Safety\SafetyRules;

/**
 * One to three things for home: for what was worked, what it is found like and how fresh it is; never against a limit, and fewer where the
 * last ones were not done.
 */
final readonly class HomeCareChooser
{
    public function __construct(
        private Atlas $atlas,
        private HomeCareFigures $figures,
        private SafetyRules $rules,
        private ConditionTissue $tissue,
    ) {
    }

    /**
     * @param  list<MuscleAt>  $worked  today, in the order of the table
     * @param  list<string>  $before  ids handed out at the last visit
     * @return list<Advice> best first; empty where nobody should be treated
     */
    public function of(CaseFile $case, SafetyResult $safety, PatternResult $pattern, array $worked, array $before): array
    {
        if (! $safety->verdict->allowsTreatment()) {
            return [];
        }
        $done = $this->wasDone($case);
        $most = $before !== [] && $done === false ? $this->figures->mostIfNotDone : $this->figures->most;
        $barred = $this->barred($case, $safety);
        $offers = $stages = [];
        foreach ($this->targets($pattern, $worked) as $rank => [$at, $role]) {
            $stage = $this->stage($case, $safety, $at, $stages);
            foreach ($this->atlas->muscle($at->muscle)->reference()->selfCare as $order => $id) {
                $care = $this->atlas->handbook()->selfCareOf($id);
                if (array_intersect($care->notWith, $barred) === [] && $this->figures->allows($stage, $care->kind)
                    && $this->figures->suits($care->kind, $role) && $this->isWithinLimits($safety, $care, $at)) {
                    $again = in_array($id, $before, true);
                    $offers[] = [
                        // what was done and is known goes on; what was not done gives way to what asks less
                        [$again && $done !== false ? 0 : 1, $rank, $done === false ? $this->figures->effort[$care->kind] : 0, $order],
                        $this->advice($care, $at, $role, $stage, $again),
                    ];
                }
            }
        }
        usort($offers, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $this->distinct(array_column($offers, 1), $most);
    }

    /**
     * All there is, for a choice by hand: the same limits hold.
     *
     * @return list<Possible> in the order of the atlas
     */
    public function every(CaseFile $case, SafetyResult $safety): array
    {
        $muscles = [];
        foreach ($this->atlas->muscles as $muscle) {
            foreach ($muscle->reference()->selfCare as $id) {
                $muscles[$id][] = $muscle->id;
            }
        }
        $barred = $this->barred($case, $safety);
        $every = $found = $stages = [];
        foreach ($this->atlas->handbook()->selfCare as $care) {
            $every[] = $this->possible($case, $safety, $care, $muscles[$care->id] ?? [], $barred, $found, $stages);
        }

        return $every;
    }

    /**
     * @param  list<string>  $muscles  all it works on: a limit of one of them is its limit
     * @param  list<string>  $barred  conditions
     * @param  array<string, 'fresh'|'limited'|'free'>  $found  what was seen already: by kind, muscle and side the answer is the same
     * @param  array<string, Stage|null>  $stages  by place
     */
    private function possible(
        CaseFile $case, SafetyResult $safety, SelfCare $care, array $muscles, array $barred, array &$found, array &$stages,
    ): Possible {
        $against = array_values(array_intersect($care->notWith, $barred));
        if (! $safety->verdict->allowsTreatment() || $against !== []) {
            $of = $this->rules->conditions[$against[0] ?? '']->label ?? null;

            return new Possible(
                $care->id, [], $care->dose,
                $of === null ? 'Nobody is treated today.' : 'Not with this, or not while it is not asked: '.lcfirst($of).'.',
            );
        }
        $sides = $healing = [];
        $fresh = null;
        foreach (Side::pair() as $side) {
            foreach ($muscles as $muscle) {
                $at = new MuscleAt($muscle, $side);
                $key = "{$care->kind}|$muscle|{$side->value}";
                $found[$key] ??= match (true) {
                    ! $this->figures->allows($this->stage($case, $safety, $at, $stages), $care->kind) => 'fresh',
                    default => $this->isWithinLimits($safety, $care, $at) ? 'free' : 'limited',
                };
                if ($found[$key] === 'fresh') {
                    $fresh ??= $muscle;
                }
                if ($found[$key] !== 'free') {
                    continue 2;
                }
            }
            $sides[] = $side;
            foreach ($muscles as $muscle) {
                $healing[] = $this->stage($case, $safety, new MuscleAt($muscle, $side), $stages);
            }
        }

        return new Possible($care->id, $sides, $care->doseAt(Stage::freshest(...$healing)?->value), match (true) {
            $sides !== [] => null,
            $fresh !== null => 'Too early: '.lcfirst($this->atlas->muscle($fresh)->name).' lies where it is fresh.',
            default => 'A limit of today, or a question that is open, stands against it where it works.',
        });
    }

    /**
     * @param  list<Advice>  $offers  best first
     * @return list<Advice> each thing once, and of each muscle one
     */
    private function distinct(array $offers, int $most): array
    {
        $chosen = [];
        $taken = [];
        foreach ($offers as $one) {
            if (count($chosen) < $most && ! isset($taken[$one->care->id]) && ! isset($taken[$one->for->muscle])) {
                $taken[$one->care->id] = $taken[$one->for->muscle] = true;
                $chosen[] = $one;
            }
        }

        return $chosen;
    }

    private function advice(SelfCare $care, MuscleAt $at, Role $role, ?Stage $stage, bool $again): Advice
    {
        $name = $at->side->on(lcfirst($this->atlas->muscle($at->muscle)->name));
        $because = match ($role) {
            Role::Source => "For $name, where the trouble may come from.",
            Role::Overstretched => "For $name, which is overstretched: to hold better, not to grow longer.",
            Role::Compensating => "For $name, which works for another.",
            Role::Site, Role::Unclear => "For $name, which was worked.",
        };

        return new Advice(
            $care, $at, $care->doseAt($stage?->value), $this->figures->stop[$care->kind] ?? '', $this->figures->words($stage), $because.(
                $again ? ' As last time.' : ''
            ), $again,
        );
    }

    /**
     * @param  list<MuscleAt>  $worked
     * @return list<array{MuscleAt, Role}> what is best supported first; of what was worked alone
     */
    private function targets(PatternResult $pattern, array $worked): array
    {
        $ranked = [];
        foreach ($worked as $order => $at) {
            $candidate = $pattern->of($at);
            $ranked[] = [[-($candidate->logOdds ?? -99.0), $order], [$at, $candidate->role ?? Role::Unclear]];
        }
        usort($ranked, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column($ranked, 1);
    }

    /** @return list<string> conditions that somebody has, or that nobody has denied */
    private function barred(CaseFile $case, SafetyResult $safety): array
    {
        $has = [];
        foreach ($case->health->conditions as $one) {
            if ($one->answer === Answer::Yes) {
                $has[] = $one->condition;
            }
        }
        $asked = array_map(static fn (Question $one): string => $one->id, $safety->questions);
        $open = array_filter(
            $this->rules->conditions,
            static fn (ConditionRule $rule): bool => in_array($rule->id, $asked, true) || in_array("conditions.$rule->group", $asked, true),
        );

        return [...$has, ...array_keys($open)];
    }

    private function isWithinLimits(SafetyResult $safety, SelfCare $care, MuscleAt $at): bool
    {
        $places = array_map(
            fn (string $zone): Place => $this->atlas->placeOn($zone, $at->side), $this->atlas->muscle($at->muscle)->everyZone(),
        );
        foreach ($this->figures->as[$care->kind] ?? [] as $technique) {
            $against = $safety->limits->touching(
                new ProposedWork($places, $technique, muscle: $at), Effect::Avoid, Effect::Exclude, Effect::DoctorFirst, Effect::CheckFirst,
            );
            // a question that holds for the whole visit is asked there; one that holds for this place bars it until it is answered
            $bars = array_filter(
                $against, static fn (Limit $one): bool => $one->effect !== Effect::CheckFirst || ! $one->scope->isEverything(),
            );
            if ($bars !== []) {
                return false;
            }
        }

        return true;
    }

    /**
     * The freshest of what was said and of what the signs say, wherever the muscle lies.
     *
     * @param  array<string, Stage|null>  $known  what was looked up already, by place: many muscles lie in one
     */
    private function stage(CaseFile $case, SafetyResult $safety, MuscleAt $at, array &$known): ?Stage
    {
        $found = [];
        foreach ($this->atlas->muscle($at->muscle)->zones as $zone) {
            $place = $this->atlas->placeOn($zone, $at->side);
            $key = $place->key();
            if (! array_key_exists($key, $known)) {
                $known[$key] = Stage::freshest($this->tissue->at($place, $case)->stage, $safety->healing->at($place));
            }
            $found[] = $known[$key];
        }

        return Stage::freshest(...$found);
    }

    /** Whether what was given last time was done; null where nobody asked. */
    private function wasDone(CaseFile $case): ?bool
    {
        $last = $case->history === [] ? [] : $case->history[count($case->history) - 1]->aftermath;
        $shares = array_filter(
            array_map(static fn (Aftermath $one): ?float => $one->homeCareDone, $last), static fn (?float $share): bool => $share !== null,
        );

        return $shares === [] ? null : max($shares) >= $this->figures->doneFrom;
    }
}
