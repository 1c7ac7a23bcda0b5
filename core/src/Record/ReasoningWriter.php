<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\Chain;
use Somatrace\Core\Pattern\Evidence;
use Somatrace\Core\Pattern\JointCandidate;
use Somatrace\Core\Pattern\PatternResult;
use Somatrace\Core\Pattern\Role;

/** What explains the picture, what speaks against it, and what it leaves open. */
final readonly class ReasoningWriter
{
    private const FOR = 3;

    /** Evidence that weighs less says nothing by itself. */
    private const TELLS = 0.2;

    private const OTHERS = 2;

    public function __construct(private Atlas $atlas, private Terms $terms)
    {
    }

    /**
     * @param  list<Chain>  $chains
     * @return list<Sentence>
     */
    public function of(CaseFile $case, PatternResult $pattern, array $chains): array
    {
        $hurts = array_filter($case->findings->complaints, static fn (Complaint $one): bool => $one->hurts());
        if ($hurts === []) {
            return [];
        }
        $leaders = $pattern->ofNone->leads ? [] : $this->leaders($pattern);
        $joint = $pattern->ofNone->leads ? null : $pattern->leadingJoint();
        $first = $joint !== null && ($leaders === [] || $joint->support > $leaders[0]->support);
        $ofMuscles = match (true) {
            $leaders !== [] => $this->lead($leaders, $first),
            $joint !== null => null,
            default => $this->nothing($pattern),
        };
        $ofJoint = $joint === null ? null : $this->joint($joint, $first);

        return array_values(array_filter([
            ...$first ? [$ofJoint, $ofMuscles] : [$ofMuscles, $ofJoint],
            $leaders === [] || $joint !== null ? null : $this->open($hurts, $leaders), $this->chain($chains),
        ]));
    }

    /** @param  bool  $first  it explains the picture better than any muscle */
    private function joint(JointCandidate $joint, bool $first): Sentence
    {
        $for = array_slice(self::telling($joint, true), 0, self::FOR);
        $around = array_map(
            fn (MuscleAt $at): string => $this->terms->muscleOn($at->muscle, $at->side), array_slice($joint->explains, 0, self::FOR),
        );

        return new Sentence('reasoning.joint', Part::Reasoning, implode(' ', array_filter([
            Prose::sentence(($first ? 'Best supported: ' : 'Also a joint: ').lcfirst($joint->name).", with {$joint->word} support: "
                .implode('; ', array_map(self::said(...), $for))),
            $around === [] ? '' : Prose::sentence('Around it, found tense, tender or short: '.Prose::list($around)),
        ])), [new Source('think', $joint->name)]);
    }

    /** @return list<Candidate> those that something found points to, strongest first */
    private function leaders(PatternResult $pattern): array
    {
        $found = array_filter(
            $pattern->candidates, static fn (Candidate $one): bool => $one->word !== 'slight' && self::telling($one, true) !== [],
        );

        return array_slice(array_values($found), 0, 1 + self::OTHERS);
    }

    /**
     * @param  non-empty-list<Candidate>  $leaders
     * @param  bool  $behind  a joint explains it better
     */
    private function lead(array $leaders, bool $behind): Sentence
    {
        $first = $leaders[0];
        $for = array_slice(self::telling($first, true), 0, self::FOR);
        $against = array_slice(self::telling($first, false), 0, 1);
        $others = array_map(
            fn (Candidate $one): string => $this->terms->muscleOn($one->at->muscle, $one->at->side)." ({$this->role($one->role)})",
            array_slice($leaders, 1),
        );

        return new Sentence('reasoning.lead', Part::Reasoning, implode(' ', array_filter([
            Prose::sentence(implode(': ', array_filter([
                match (true) {
                    $behind => 'Of the muscles, best supported',
                    $first->role === Role::Source => 'Most likely source',
                    default => 'Best supported',
                }.': '
                    .$this->terms->muscleOn($first->at->muscle, $first->at->side, true)
                    .", with {$first->word} support"
                    .($first->role === Role::Source && ! $behind ? '' : ", {$this->role($first->role)}"),
                implode('; ', array_map(self::said(...), $for)),
            ]))),
            $against === [] ? '' : Prose::sentence('Against it: '.self::said($against[0])),
            $others === [] ? '' : Prose::sentence('Also: '.Prose::list($others)),
        ])), [new Source('think', $this->atlas->nameOf($first->at))]);
    }

    private function nothing(PatternResult $pattern): Sentence
    {
        $because = array_map(static fn (array $one): string => lcfirst(rtrim($one['text'], '.')), $pattern->ofNone->evidence);

        return new Sentence(
            'reasoning.lead', Part::Reasoning,
            $pattern->ofNone->leads
                ? Prose::sentence(
                    'No muscle explains the picture'.($because === [] ? '' : ': '.implode('; ', array_slice($because, 0, self::FOR))),
                )
                : $this->undecided($pattern),
            [new Source('think', 'What could explain it')],
        );
    }

    private function undecided(PatternResult $pattern): string
    {
        $first = array_filter(
            array_slice($pattern->candidates, 0, 1 + self::OTHERS), static fn (Candidate $one): bool => self::telling($one, true) !== [],
        );

        return $first === []
            ? 'Nothing that was found points to one muscle yet.'
            : 'No one muscle stands out. What was found points most, and each slightly, to '.Prose::list(array_map(
                fn (Candidate $one): string => $this->terms->muscleOn($one->at->muscle, $one->at->side), array_values($first),
            )).'.';
    }

    /**
     * @param  non-empty-array<Complaint>  $hurts
     * @param  non-empty-list<Candidate>  $leaders
     */
    private function open(array $hurts, array $leaders): ?Sentence
    {
        $open = array_filter($hurts, function (Complaint $pain) use ($leaders): bool {
            foreach ($leaders as $one) {
                $muscle = $this->atlas->muscle($one->at->muscle);
                if ($pain->liesOver($muscle, $one->at->side)
                    || ($pain->side === $one->at->side && in_array($pain->zone, [...$muscle->coreReferral, ...$muscle->spillOver], true))) {
                    return false;
                }
            }

            return true;
        });
        $places = array_map(fn (Complaint $one): string => $this->terms->at($one->place()), array_values($open));

        return $open === []
            ? null
            : new Sentence(
                'reasoning.open', Part::Reasoning, 'Not explained by '.(
                    count($leaders) === 1 ? 'this' : 'these'
                ).': the pain '.Prose::list($places).'.',
                [new Source('think', 'Not explained')],
            );
    }

    /** @param  list<Chain>  $chains */
    private function chain(array $chains): ?Sentence
    {
        $told = array_values(array_filter($chains, static fn (Chain $one): bool => $one->isTold()));
        if ($told === []) {
            return null;
        }
        $because = $told[0]->kind === 'whole' ? ': '.implode('; ', array_map(lcfirst(...), $told[0]->because)) : '';

        return new Sentence(
            'reasoning.chain', Part::Reasoning, Prose::sentence(rtrim($told[0]->title, '.').$because),
            [new Source('think', 'Patterns')],
        );
    }

    /** @return list<Evidence> what speaks for it, or against, strongest first */
    private static function telling(Candidate|JointCandidate $one, bool $for): array
    {
        $telling = array_filter(
            $one->evidence(),
            static fn (Evidence $piece): bool => $for ? $piece->weight >= self::TELLS : $piece->weight <= -self::TELLS,
        );
        usort($telling, static fn (Evidence $a, Evidence $b): int => abs($b->weight) <=> abs($a->weight));

        return $telling;
    }

    private static function said(Evidence $one): string
    {
        return lcfirst(rtrim(str_replace(['This muscle ', 'This joint ', "'"], ['it ', 'it ', '’'], $one->text()), '.'));
    }

    private function role(Role $role): string
    {
        return match ($role) {
            Role::Source => 'a source too', Role::Site => 'sore where it hurts', Role::Overstretched => 'overstretched',
            Role::Compensating => 'works for another', Role::Unclear => 'role unclear',
        };
    }
}
