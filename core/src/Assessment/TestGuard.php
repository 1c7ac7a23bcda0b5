<?php

declare(strict_types=1);

namespace Somatrace\Core\Assessment;

use Somatrace\Core\Anatomy\Test;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ConditionAnswer;
use Somatrace\Core\Safety\SafetyRules;

/** Whether a test may be done with this client: what forbids it must have been asked and denied. Unknown is as careful as yes. */
final readonly class TestGuard
{
    public function __construct(private SafetyRules $rules)
    {
    }

    /** @return string|null why not; null when nothing forbids it */
    public function refuses(Test $test, CaseFile $case): ?string
    {
        [$said, $open] = [[], []];
        foreach ($test->neverFlags as $flag) {
            $this->note($this->rules->flags->flags[$flag]['ask'], $case->health->redFlags[$flag] ?? Answer::Unknown, $said, $open);
        }
        foreach ($test->neverConditions as $condition) {
            $this->note($this->rules->conditions[$condition]->label, $this->condition($condition, $case), $said, $open);
        }

        return match (true) {
            $said !== [] => 'Not done: '.implode('; ', $said).'.',
            $open !== [] => 'Ask first: '.$open[0].(count($open) > 1 ? ', and '.(count($open) - 1).' more' : '').'.',
            default => null,
        };
    }

    /**
     * @param  list<string>  $said
     * @param  list<string>  $open
     */
    private function note(string $words, Answer $answer, array &$said, array &$open): void
    {
        $words = lcfirst(rtrim($words, '?.'));
        match ($answer) {
            Answer::Yes => $said[] = $words,
            Answer::Unknown => $open[] = $words,
            Answer::No => null,
        };
    }

    private function condition(string $condition, CaseFile $case): Answer
    {
        $answers = array_map(
            static fn (ConditionAnswer $one): Answer => $one->answer,
            array_values(array_filter($case->health->conditions, static fn (ConditionAnswer $one): bool => $one->condition === $condition)),
        );

        return $answers === [] ? ($case->health->othersDenied ? Answer::No : Answer::Unknown) : array_reduce($answers, static fn (Answer $all, Answer $one): Answer => $all->or($one), Answer::No);
    }
}
