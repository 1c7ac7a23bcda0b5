<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ConditionAnswer;
use Somatrace\Core\CaseFile\Dates;
use Somatrace\Core\CaseFile\RangeFinding;
use Somatrace\Core\CaseFile\Severity;
use Somatrace\Core\CaseFile\Stage;
use Somatrace\Core\CaseFile\SwellingTrend;
use Somatrace\Core\Findings\Reproduction;
use Somatrace\Core\Safety\When\InHand;

/**
 * A case as the rules ask it: answers with their age. An answer grown old is unknown again, save a yes:
 * a danger once named stays named until it is denied afresh (docs/decisions/0002).
 */
final readonly class Intake
{
    /** @var list<RangeFinding> movements of which somebody told how they end: many rules ask for them */
    private array $ended;

    /**
     * @param  array<string, int>  $freshDays days each part stays fresh
     * @param  array<string, string>  $groups the group each condition is read out in
     * @param  int  $subacuteDays  what is older than this is late
     */
    public function __construct(
        public CaseFile $case,
        public ConditionTissue $tissue,
        public Reproduction $reproduction,
        private Atlas $atlas,
        private array $freshDays,
        private array $groups,
        private RedFlags $flags,
        private int $subacuteDays,
        public ?InHand $inHand = null,
    ) {
        $this->ended = array_values(array_filter(
            $case->findings->range, static fn (RangeFinding $one): bool => $one->endFeel !== null,
        ));
    }

    /** The same case, with one answer of it in hand. */
    public function holding(InHand $inHand): self
    {
        return new self(
            $this->case, $this->tissue, $this->reproduction, $this->atlas, $this->freshDays, $this->groups, $this->flags,
            $this->subacuteDays, $inHand,
        );
    }

    public function flag(string $id): Answer
    {
        $given = $this->case->health->redFlags[$id] ?? null;
        if ($given === null && $this->worrying($id)) {
            return Answer::Yes;
        }

        return $given === null
            ? $this->unnamed($this->flags->part($id), $this->flags->part($id))
            : $this->aged($given, $this->flags->part($id), null);
    }

    /** Whether it was answered on the day of the case. */
    public function saidToday(string $flag): bool
    {
        $part = $this->flags->part($flag);
        $named = isset($this->case->health->redFlags[$flag]) ? $this->case->health->answeredOn[$part] ?? $this->case->asOf : null;

        return Dates::days($named ?? $this->askedOn($part) ?? $this->case->asOf, $this->case->asOf) === 0;
    }

    /** Whether it was denied in so many days: by name, or by reading out its group. */
    public function deniedWithin(string $flag, int $days): bool
    {
        $health = $this->case->health;
        $part = $this->flags->part($flag);
        $on = match ($health->redFlags[$flag] ?? null) {
            Answer::No => $health->answeredOn[$part] ?? $this->case->asOf,
            // "everything else denied" of a file names nothing
            null => $health->groupsAsked[$part] ?? null,
            default => null,
        };

        return $on !== null && Dates::days($on, $this->case->asOf) <= $days;
    }

    public function testPositive(string $test): Answer
    {
        $answers = array_map(
            static fn (?string $result): Answer => match ($result) {
                'positive' => Answer::Yes,
                'negative', 'relieves' => Answer::No,
                default => Answer::Unknown,
            },
            array_map(
                static fn ($finding): ?string => $finding->result,
                array_values(array_filter($this->case->findings->tests, static fn ($finding): bool => $finding->test === $test)),
            ),
        );

        return in_array(Answer::Yes, $answers, true) ? Answer::Yes : Answer::No;
    }

    /** @param  list<string>  $zones */
    public function complaintIn(array $zones): Answer
    {
        foreach ($this->case->findings->complaints as $complaint) {
            if (in_array($complaint->zone, $zones, true)) {
                return Answer::Yes;
            }
        }

        return Answer::No;
    }

    public function conditionWithin(string $condition, int $days): Answer
    {
        foreach ($this->answersOf($condition) as $answer) {
            if ($answer->answer === Answer::Yes && ($answer->since === null || Dates::days($answer->since, $this->case->asOf) <= $days)) {
                return Answer::Yes;
            }
        }

        return Answer::No;
    }

    /** @return list<ConditionAnswer> what was said of it; empty when nobody named it */
    public function answersOf(string $condition): array
    {
        return array_values(array_filter(
            $this->case->health->conditions, static fn (ConditionAnswer $answer): bool => $answer->condition === $condition,
        ));
    }

    /** What stands for a flag or a condition nobody named: no, where its group was read out and the answer is not too old. */
    public function unnamed(string $group, string $part): Answer
    {
        $on = $this->askedOn($group);

        return $on === null ? Answer::Unknown : $this->aged(Answer::No, $part, $on);
    }

    /**
     * The day a group was read out; null when nobody has. A file that says all others are denied was asked all on its own day, or on the
     * day it names for the part.
     */
    private function askedOn(string $group): ?\DateTimeImmutable
    {
        $health = $this->case->health;

        return $health->groupsAsked[$group] ?? ($health->othersDenied ? $health->answeredOn[$group] ?? $this->case->asOf : null);
    }

    /** What stands for a condition as a whole: the most worrying thing said of it. */
    public function standsAs(string $condition): Answer
    {
        $answers = $this->answersOf($condition);
        if ($answers === []) {
            return $this->unnamed($this->groups[$condition] ?? '', 'conditions');
        }

        return array_reduce($answers, static fn (Answer $all, ConditionAnswer $one): Answer => $all->or($one->answer), Answer::No);
    }

    /** Denied, or late or settled without a swelling left: dates and stages both count, the fresher one wins. */
    public function isSettled(string $condition): bool
    {
        if ($this->standsAs($condition) === Answer::Unknown) {
            return false;
        }
        foreach ($this->answersOf($condition) as $answer) {
            $days = $answer->since === null ? null : Dates::days($answer->since, $this->case->asOf);
            $late = $answer->stage === null
                ? $days !== null && $days > $this->subacuteDays
                : in_array($answer->stage, [Stage::Late, Stage::Settled], true);
            $calm = in_array($answer->swellingTrend, [null, SwellingTrend::Gone], true) && $answer->severity !== Severity::Severe;
            if ($answer->answer === Answer::Yes && ! ($late && $calm && ($days === null || $days > $this->subacuteDays))) {
                return false;
            }
        }

        return true;
    }

    /** Whether a place belongs to a set of zones, and lies on that side where one is asked of. */
    public function isIn(Place $place, string $set, ?Side $side): bool
    {
        return in_array($place->zone, $this->atlas->zoneSets[$set] ?? [], true)
            && ($side === null || $place->side === $side || $place->side === Side::Midline);
    }

    /** @return list<array{string, ?float}> how the movements and levels of a group of zones end, each with its pain */
    public function endsOf(string $group, ?Side $side): array
    {
        $ends = [];
        foreach ($this->ended as $finding) {
            $there = ($this->reproduction->groupsOf($finding->movement)[0] ?? '') === $group
                && ($side === null || in_array($finding->side, [$side, Side::Midline], true));
            if ($there && $finding->endFeel !== null) {
                $ends[] = [$finding->endFeel, $finding->pain];
            }
        }
        foreach ($this->case->findings->tests as $finding) {
            $there = ($finding->segment !== null && str_starts_with($finding->segment, 'C') ? 'neck' : 'trunk') === $group;
            if (
                $there
                    && $finding->segment !== null
                    && $finding->endFeel !== null
                    && ($side === null || in_array($finding->side, [$side, Side::Midline], true))
            ) {
                $ends[] = [$finding->endFeel, $finding->pain];
            }
        }

        return $ends;
    }

    public function aged(Answer $answer, string $part, ?\DateTimeImmutable $on): Answer
    {
        $on ??= $this->case->health->answeredOn[$part] ?? null;
        $old = $on !== null && Dates::days($on, $this->case->asOf) > ($this->freshDays[$part] ?? PHP_INT_MAX);

        return $old && $answer === Answer::No ? Answer::Unknown : $answer;
    }

    /** @return list<Place> where the signs felt and measured today are those of a fresh inflammation */
    public function acutePlaces(): array
    {
        $places = [];
        foreach ($this->case->findings->palpation as $finding) {
            foreach (
                array_intersect($finding->texture, ['warm', 'swollen']) === []
                    ? []
                    : $this->atlas->muscle($finding->muscle)->zonesOf($finding->site) as $zone
            ) {
                $place = $this->atlas->placeOn($zone, $finding->side);
                if ($this->tissue->at($place, $this->case)->stage === Stage::Acute) {
                    $places[$place->key()] = $place;
                }
            }
        }

        return array_values($places);
    }

    /** Reported as worrying after the last visit. */
    private function worrying(string $flag): bool
    {
        $last = $this->case->history[count($this->case->history) - 1] ?? null;
        foreach ($last->aftermath ?? [] as $aftermath) {
            if (in_array($flag, $aftermath->worrying, true)) {
                return true;
            }
        }

        return false;
    }
}
