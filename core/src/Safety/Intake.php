<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ConditionAnswer;
use Somatrace\Core\CaseFile\Dates;

/**
 * A case as the rules ask it: answers with their age. An answer grown old is unknown again, save a yes:
 * a danger once named stays named until it is denied afresh (docs/decisions/0002).
 */
final readonly class Intake
{
    /** @param  array<string, int>  $freshDays days each part stays fresh */
    public function __construct(public CaseFile $case, public ConditionTissue $tissue, private array $freshDays, private RedFlags $flags)
    {
    }

    public function flag(string $id): Answer
    {
        $given = $this->case->health->redFlags[$id] ?? null;
        if ($given === null && $this->worrying($id)) {
            return Answer::Yes;
        }
        $given ??= $this->case->health->othersDenied ? Answer::No : Answer::Unknown;

        return $this->aged($given, $this->flags->part($id), null);
    }

    /** Whether it was answered with no by name, and in so many days: "everything else denied" does not count. */
    public function deniedWithin(string $flag, int $days): bool
    {
        $on = $this->case->health->answeredOn[$this->flags->part($flag)] ?? $this->case->asOf;

        return ($this->case->health->redFlags[$flag] ?? null) === Answer::No && Dates::days($on, $this->case->asOf) <= $days;
    }

    public function testPositive(string $test): Answer
    {
        $answers = array_map(
            static fn (?string $result): Answer => match ($result) {
                'positive' => Answer::Yes,
                'negative', 'relieves' => Answer::No,
                default => Answer::Unknown,
            },
            array_map(static fn ($finding): ?string => $finding->result, array_values(array_filter($this->case->findings->tests, static fn ($finding): bool => $finding->test === $test))),
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
        return array_values(array_filter($this->case->health->conditions, static fn (ConditionAnswer $answer): bool => $answer->condition === $condition));
    }

    /** What stands for a condition nobody named. */
    public function unnamed(string $part): Answer
    {
        return $this->aged($this->case->health->othersDenied ? Answer::No : Answer::Unknown, $part, null);
    }

    public function aged(Answer $answer, string $part, ?\DateTimeImmutable $on): Answer
    {
        $on ??= $this->case->health->answeredOn[$part] ?? null;
        $old = $on !== null && Dates::days($on, $this->case->asOf) > ($this->freshDays[$part] ?? PHP_INT_MAX);

        return $old && $answer === Answer::No ? Answer::Unknown : $answer;
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
