<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\JointName;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\DoneManoeuvre;
use Somatrace\Core\CaseFile\DoneStep;
use Somatrace\Core\CaseFile\Now;
use Somatrace\Core\CaseFile\Session;
use Somatrace\Core\Planning\PlanStep;

/** A case in the middle of its treatment: so many steps done as they were planned, so many minutes left. */
final readonly class Underway
{
    /**
     * @param  list<PlanStep>  $done  by hand, as planned
     * @param  float  $left  minutes
     */
    public static function of(CaseFile $case, array $done, float $left): CaseFile
    {
        $session = $case->session;
        $oiled = $done !== []
            && array_filter($done, static fn (PlanStep $step): bool => in_array($step->product, ['light_oil', 'plenty_oil'], true)) !== [];

        return $case->withSession(new Session(
            $session->minutes, $session->positionsPossible, $session->targets, $session->dropped, $session->school,
            array_map(static fn (PlanStep $step, int $n): DoneStep => new DoneStep(
                $step->joint === null ? $step->at?->muscle : null, $step->at->side ?? $step->joint?->side, $step->minutes, false,
                $step->joint === null ? null : new JointName($step->joint->joint->id, $step->joint->level), false, $step->kind->value,
                $step->round ?? 1, $step->position, "s$n",
                array_merge(...array_map(static fn ($one): array => array_map(
                    static fn (?string $spot): DoneManoeuvre => new DoneManoeuvre(
                        $one->technique, $one->seconds * $one->repeats, $spot, $one->tool, $one->pressure,
                    ),
                    $one->spots === [] ? [null] : $one->spots,
                ), $step->manoeuvres)),
                $step->places,
            ), $done, array_keys($done)),
            new Now($done[count($done) - 1]->position ?? null, $left, $oiled ? $done[count($done) - 1]->places : []),
        ));
    }
}
