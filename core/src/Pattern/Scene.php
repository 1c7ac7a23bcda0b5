<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\PalpationFinding;

/** A case laid out for ranking: the candidates, the live complaints, and who was felt. */
final readonly class Scene
{
    /** @var list<MuscleAt> */
    public array $candidates;

    /** @var list<Complaint> */
    public array $complaints;

    /** @var array<string, list<PalpationFinding>> by muscle and side */
    public array $palpation;

    /** @var array<string, list<array{MuscleAt, bool}>> movement:side → candidates it lengthens (true: all do) */
    public array $lengthens;

    /** @var array<string, list<array{MuscleAt, bool}>> movement:side → candidates that move it, and whether as prime mover */
    public array $moves;

    public function __construct(public Atlas $atlas, public CaseFile $case, public Figures $figures)
    {
        $candidates = [];
        $lengthens = [];
        $moves = [];
        foreach ($atlas->muscles as $muscle) {
            foreach (Side::pair() as $side) {
                $at = new MuscleAt($muscle->id, $side);
                $candidates[] = $at;
                foreach ($muscle->lengthenedBy as $use) {
                    $lengthens[$use->keyFor($side)][] = [$at, true];
                }
                foreach ($muscle->actions as $use) {
                    $moves[$use->keyFor($side)][] = [$at, $use->prime];
                }
            }
        }
        $palpation = [];
        foreach ($case->findings->palpation as $finding) {
            $palpation[$finding->at()->key()][] = $finding;
        }
        $this->candidates = $candidates;
        $this->lengthens = $lengthens;
        $this->moves = $moves;
        $this->palpation = $palpation;
        // a complaint scored 0 with no worse time in the week is over: it neither points nor clears
        $this->complaints = array_values(array_filter(
            $case->findings->complaints,
            static fn (Complaint $complaint): bool => $complaint->now > 0 || ($complaint->worstWeek ?? 0) > 0,
        ));
    }

    public function sign(string $kind, string $weight, string $text, string $code = '', float $share = 1.0): Sign
    {
        return new Sign($kind, $weight.($code === '' ? '' : ":$code"), $share * $this->figures->weight($weight), $text);
    }
}
