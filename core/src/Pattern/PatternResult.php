<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\JointStart;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;

final readonly class PatternResult
{
    private const SHOWN = 24;

    private const JOINTS_SHOWN = 6;

    /** A share from which on a joint is told (practice default). */
    public const TELLING = 0.01;

    /** @var array<string, Candidate> by muscle and side */
    private array $byKey;

    /**
     * @param  list<Candidate>  $candidates  every muscle and side, strongest first
     * @param  list<JointCandidate>  $joints  every joint, level and side, strongest first
     * @param  list<NextCheck>  $nextChecks  most worth first
     */
    public function __construct(
        public array $candidates,
        public array $joints,
        public float $noneSupport,
        public NoneOfThese $ofNone,
        public array $nextChecks,
    ) {
        $byKey = [];
        foreach ($candidates as $candidate) {
            $byKey[$candidate->at->key()] = $candidate;
        }
        $this->byKey = $byKey;
    }

    public function of(MuscleAt $at): ?Candidate
    {
        return $this->byKey[$at->key()] ?? null;
    }

    public function ofJoint(JointAt $at): ?JointCandidate
    {
        foreach ($this->joints as $joint) {
            if ($joint->at->joint->id === $at->joint->id && $joint->at->level === $at->level
                && in_array($joint->at->side, [$at->side, Side::Midline], true)) {
                return $joint;
            }
        }

        return null;
    }

    /** The level that such a test would be expected to answer at: the strongest of those it tries; null where it names none. */
    public function levelTriedBy(string $test, Side $side): ?string
    {
        foreach ($this->joints as $joint) {
            $tries = array_filter(
                $joint->at->joint->starts,
                static fn (JointStart $start): bool => $start->test === $test && $start->speaksOf($joint->at->level, $joint->at->level),
            );
            if ($joint->at->level !== null && $tries !== [] && ($side === Side::Midline || $joint->at->side === $side)) {
                return $joint->at->level;
            }
        }

        return null;
    }

    /** @return list<array{string, float}> key and share of muscles and joints together, strongest first */
    public function shares(): array
    {
        $shares = [
            ...array_map(static fn (Candidate $one): array => [$one->at->key(), $one->support, $one->logOdds], $this->candidates),
            ...array_map(static fn (JointCandidate $one): array => [$one->at->key(), $one->support, $one->logOdds], $this->joints),
        ];
        usort($shares, static fn (array $a, array $b): int => round($b[2], 9) <=> round($a[2], 9));

        return array_map(static fn (array $one): array => [$one[0], $one[1]], $shares);
    }

    /** The strongest joint that was tried and has more than slight support; null where there is none. */
    public function leadingJoint(): ?JointCandidate
    {
        $joint = $this->examinedJoints()[0] ?? null;

        return $joint === null || $joint->word === 'slight' ? null : $joint;
    }

    /** @return list<JointCandidate> those of which something was found that is worth telling */
    private function examinedJoints(): array
    {
        return array_slice(array_values(array_filter(
            $this->joints, static fn (JointCandidate $one): bool => $one->support >= self::TELLING && $one->isExamined(),
        )), 0, self::JOINTS_SHOWN);
    }

    /** @return array<string, mixed> the `pattern` part of a result */
    public function toArray(): array
    {
        return [
            'candidates' => array_map(
                static fn (Candidate $candidate): array => $candidate->toArray(), array_slice($this->candidates, 0, self::SHOWN),
            ),
            'joints' => array_map(static fn (JointCandidate $one): array => $one->toArray(), $this->examinedJoints()),
            'none' => ['support' => round($this->noneSupport, 5), 'leads' => $this->ofNone->leads, 'evidence' => $this->ofNone->evidence],
            'next_checks' => array_map(static fn (NextCheck $check): array => $check->toArray(), $this->nextChecks),
        ];
    }
}
