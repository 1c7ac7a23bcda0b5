<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\MuscleAt;

final readonly class PatternResult
{
    private const SHOWN = 24;

    /** @var array<string, Candidate> by muscle and side */
    private array $byKey;

    /**
     * @param  list<Candidate>  $candidates  every muscle and side, strongest first
     * @param  list<NextCheck>  $nextChecks  most worth first
     */
    public function __construct(public array $candidates, public float $noneSupport, public NoneOfThese $ofNone, public array $nextChecks)
    {
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

    /** @return array<string, mixed> the `pattern` part of a result */
    public function toArray(): array
    {
        return [
            'candidates' => array_map(
                static fn (Candidate $candidate): array => $candidate->toArray(), array_slice($this->candidates, 0, self::SHOWN),
            ),
            'none' => ['support' => round($this->noneSupport, 5), 'leads' => $this->ofNone->leads, 'evidence' => $this->ofNone->evidence],
            'next_checks' => array_map(static fn (NextCheck $check): array => $check->toArray(), $this->nextChecks),
        ];
    }
}
