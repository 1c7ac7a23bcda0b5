<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\PalpationFinding;
use Somatrace\Core\Findings\Parts;

/** A case laid out for ranking: the live complaints, and who was felt. */
final readonly class RankingContext
{
    public Atlas $atlas;

    /** @var array<string, list<string>> the parts of each whole that somebody told apart */
    private array $apart;

    /** @var array<string, MuscleAt> who may be the source, by muscle and side */
    public array $candidates;

    /** @var list<Complaint> */
    public array $complaints;

    /** @var array<string, list<PalpationFinding>> by muscle and side */
    public array $palpation;

    public function __construct(public AtlasIndex $index, public CaseFile $case, public Figures $figures)
    {
        $palpation = [];
        foreach ($case->findings->palpation as $finding) {
            $palpation[$finding->at()->key()][] = $finding;
        }
        $this->atlas = $index->atlas;
        $parts = new Parts($index->atlas);
        $this->apart = $parts->apart($case);
        $hidden = $parts->hidden($case, $this->apart);
        $this->candidates = array_filter($index->candidates, static fn (MuscleAt $at): bool => ! isset($hidden[$at->muscle]));
        $this->palpation = $palpation;
        // a complaint scored 0 with no worse time in the week is over: it neither points nor clears
        $this->complaints = array_values(array_filter(
            $case->findings->complaints,
            static fn (Complaint $complaint): bool => $complaint->hurts(),
        ));
    }

    /** @return list<MuscleAt> who is meant where a sign or a test names a muscle */
    public function meant(MuscleAt $at): array
    {
        return array_map(
            static fn (string $muscle): MuscleAt => new MuscleAt($muscle, $at->side), $this->apart[$at->muscle] ?? [$at->muscle],
        );
    }

    /** @param  \Closure(): string  $words */
    public function sign(string $kind, string $weight, \Closure $words, string $code = '', float $share = 1.0): Sign
    {
        return new Sign($kind, $weight.($code === '' ? '' : ":$code"), $weight, $share, $share * $this->figures->weight($weight), $words);
    }
}
