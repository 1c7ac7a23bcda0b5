<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\MuscleAt;

/** One joint that could explain the picture, with what speaks for and against it. */
final readonly class JointCandidate
{
    /**
     * @param  list<MuscleAt>  $explains  muscles found tender or short that lie around it
     */
    public function __construct(
        public JointAt $at,
        public string $name,
        public float $logOdds,
        public float $support,
        public string $word,
        public Weighed $weighed,
        public array $explains,
    ) {
    }

    /** @return list<Evidence> */
    public function evidence(): array
    {
        return $this->weighed->evidence();
    }

    /** Whether the joint itself was tried: where it hurts, and a movement that is short for many reasons, do not make it one. */
    public function isExamined(): bool
    {
        return array_filter(
            $this->evidence(),
            static fn (Evidence $one): bool => $one->kind !== 'complaint' && $one->sign->name !== 'joint_moves_less',
        ) !== [];
    }

    /** @return array{kind: 'test'|'range', id: string} the first check by which it is tried with the hand */
    public function tried(): array
    {
        foreach ($this->at->joint->starts as $start) {
            if ($start->test !== null && $start->speaksOf($this->at->level, $this->at->level)) {
                return ['kind' => 'test', 'id' => $start->test];
            }
            $movement = $start->movement ?? $start->short ?? $start->pattern[0] ?? null;
            if ($movement !== null) {
                return ['kind' => 'range', 'id' => $movement];
            }
        }

        return ['kind' => 'range', 'id' => $this->at->joint->again[0]['id'] ?? ''];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'joint' => $this->at->toArray(), 'side' => $this->at->side->value, 'name' => $this->name,
            'log_odds' => round($this->logOdds, 4), 'support' => round($this->support, 5), 'words' => $this->word, 'role' => 'joint',
            'tried' => $this->tried(),
            'evidence' => array_map(static fn (Evidence $one): array => $one->toArray(), $this->evidence()),
            'explains' => array_map(
                static fn (MuscleAt $at): array => ['muscle' => $at->muscle, 'side' => $at->side->value], $this->explains,
            ),
        ];
    }
}
