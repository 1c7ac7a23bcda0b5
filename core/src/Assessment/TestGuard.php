<?php

declare(strict_types=1);

namespace Somatrace\Core\Assessment;

use Somatrace\Core\Anatomy\Test;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Safety\Intake;
use Somatrace\Core\Safety\SafetyGate;
use Somatrace\Core\Safety\SafetyRules;

/** Whether a test may be done with this client: what forbids it must have been asked and denied. Unknown is as careful as yes. */
final readonly class TestGuard
{
    public function __construct(private SafetyRules $rules, private SafetyGate $gate)
    {
    }

    /** Why not; null when nothing forbids it. */
    public function refuses(Test $test, CaseFile $case): ?Refusal
    {
        return $this->against($test, $this->gate->intake($case));
    }

    /** @return \Closure(Test): bool whether a test may be done with this client: for many tests what they answered is read once */
    public function allowed(CaseFile $case): \Closure
    {
        $intake = $this->gate->intake($case);

        return fn (Test $test): bool => $this->against($test, $intake) === null;
    }

    /** @param  Intake  $intake  answers grow old here as they do for the gate: one that is stale is asked again */
    private function against(Test $test, Intake $intake): ?Refusal
    {
        [$said, $open] = [[], []];
        foreach ($test->neverFlags as $flag) {
            $this->note($this->rules->flags->flags[$flag]['ask'], $intake->flag($flag), $said, $open);
        }
        foreach ($test->neverConditions as $condition) {
            $this->note($this->rules->conditions[$condition]->label, $intake->standsAs($condition), $said, $open);
        }
        foreach ($test->neverUnsettled as $condition) {
            $answer = $intake->standsAs($condition);
            $this->note(
                $this->rules->conditions[$condition]->label,
                $answer === Answer::Yes && $intake->isSettled($condition) ? Answer::No : $answer, $said, $open,
            );
        }

        return match (true) {
            $said !== [] => Refusal::of(RefusalKind::Forbidden, 'Not done: '.implode('; ', $said).'.'),
            $open !== [] => Refusal::of(
                RefusalKind::Unasked, 'Ask first: '.$open[0].(count($open) > 1 ? ', and '.(count($open) - 1).' more' : '').'.',
            ),
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
}
