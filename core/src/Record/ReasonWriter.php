<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\CaseFile\Aftermath;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\Demand;
use Somatrace\Core\CaseFile\TaskScore;

/** Why the client came, in their own words where they were kept, and how it was after the last visit. */
final readonly class ReasonWriter
{
    public function __construct(private Atlas $atlas, private Terms $terms)
    {
    }

    /** @return list<Sentence> */
    public function of(CaseFile $case): array
    {
        $complaints = $case->findings->complaints;
        usort($complaints, static fn (Complaint $a, Complaint $b): int => [-($a->now ?? -1), $a->place()->key()]
            <=> [-($b->now ?? -1), $b->place()->key()]);

        return array_values(array_filter([
            ...array_map($this->complaint(...), $complaints),
            $this->tasks($case->findings->function),
            $this->demands($case->demands),
            $this->aftermath($case),
        ]));
    }

    private function complaint(Complaint $one): Sentence
    {
        $quality = Prose::list(array_map($this->terms->quality(...), $one->qualities));
        $strength = implode(', ', array_filter([
            $one->now === null ? '' : ($one->now > 0 ? Prose::figure($one->now).' of 10 now' : 'none now'), $this->week($one),
        ]));
        $parts = array_filter([
            $strength, $one->since === null ? '' : 'since '.$this->terms->date($one->since), $quality,
            $one->spreadsTo === [] ? '' : 'spreads to the '.$this->terms->places($one->spreadsTo),
            $this->terms->answersTo('worse', $one->worseWith),
            $this->terms->answersTo('better', $one->betterWith),
        ]);
        $words = trim($one->words ?? '');

        return new Sentence(
            "reason.complaint.{$one->place()->key()}", Part::Reason,
            Prose::sentence('Pain '.$this->terms->at($one->place()).($parts === [] ? '' : ': '.implode('; ', $parts)))
                .($words === '' ? '' : ' '.$this->terms->inTheirWords().': '.Prose::quoted($words)),
            [new Source('ask', ucfirst($this->terms->place($one->place())))],
        );
    }

    private function week(Complaint $one): string
    {
        return match (true) {
            $one->bestWeek !== null && $one->worstWeek !== null && $one->bestWeek !== $one->worstWeek =>
                Prose::figure($one->bestWeek).' to '.Prose::figure($one->worstWeek).' in the last week',
            $one->worstWeek !== null => 'at worst '.Prose::figure($one->worstWeek).' in the last week',
            $one->bestWeek !== null => 'at best '.Prose::figure($one->bestWeek).' in the last week',
            default => '',
        };
    }

    /** @param  list<TaskScore>  $tasks */
    private function tasks(array $tasks): ?Sentence
    {
        $said = array_map(
            static fn (TaskScore $one): string => "“{$one->task}”".($one->score === null ? '' : ' '.Prose::figure($one->score)), $tasks,
        );
        $scored = array_filter($tasks, static fn (TaskScore $one): bool => $one->score !== null) !== [];

        return $said === [] ? null : new Sentence(
            'reason.tasks', Part::Reason,
            Prose::sentence('Tasks'.($scored ? ', 0 cannot do to 10 as ever' : '').': '.Prose::list($said)), [new Source('ask', 'Tasks')],
        );
    }

    /** @param  list<Demand>  $demands */
    private function demands(array $demands): ?Sentence
    {
        $said = array_map(fn (Demand $one): string => ($this->atlas->demands[$one->demand] ?? str_replace('_', ' ', $one->demand))
            .($one->side === null ? '' : " ({$one->side->value})")
            .($one->hoursPerWeek === null ? '' : ', '.Prose::figure($one->hoursPerWeek).' h a week'), $demands);

        return $said === []
            ? null
            : new Sentence('reason.demands', Part::Reason, 'The day asks for '.implode('; ', $said).'.', [new Source('ask', 'The day')]);
    }

    private function aftermath(CaseFile $case): ?Sentence
    {
        $last = $case->history === [] ? null : $case->history[count($case->history) - 1];
        $said = array_filter(array_map($this->after(...), $last->aftermath ?? []));

        return $last === null || $said === [] ? null : new Sentence(
            'reason.aftermath', Part::Reason, 'After the visit of '.$this->terms->date($last->date).': '.implode('; ', $said).'.',
            [new Source('ask', 'After the last visit')],
        );
    }

    private function after(Aftermath $one): string
    {
        $soreness = match (true) {
            $one->soreness === null => '',
            $one->soreness <= 0 => 'not sore',
            default => 'sore '.Prose::figure($one->soreness).' of 10'
                .($one->sorenessHours === null ? '' : ' for '.Prose::figure($one->sorenessHours).' h'),
        };
        $home = $one->homeCareDone;
        $parts = array_filter([
            $soreness, $one->pain === null ? '' : 'pain '.Prose::figure($one->pain).' of 10',
            $one->worse === true ? 'worse than before' : '',
            match (true) {
                $home === null => '', $home >= 0.99 => 'home care done', $home <= 0.01 => 'home care not done',
                default => 'home care done in part',
            },
        ]);

        return $parts === [] ? '' : "at {$one->hours} h ".implode(', ', $parts);
    }
}
