<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\CaseAssembler;
use App\Models\Visit;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Clinic;
use Somatrace\Core\Pattern\Candidate;
use Somatrace\Core\Pattern\PatternResult;

/** How the ranking would move if a check answered, or were clean. Nothing is recorded. */
final readonly class WhatIfPage
{
    private const SHOWN = 5;

    public function __construct(private CaseAssembler $cases, private Clinic $clinic)
    {
    }

    /** @return array{answers: list<array<string, mixed>>, clean: list<array<string, mixed>>} the first few, each with its place now */
    public function of(Visit $visit, string $kind, string $id, Side $side): array
    {
        $case = $this->cases->of($visit);
        $now = array_flip(array_map(
            static fn (Candidate $candidate): string => $candidate->at->key(), $this->clinic->rank($case)->candidates,
        ));
        $rows = static fn (PatternResult $pattern): array => array_map(
            static fn (Candidate $candidate): array => [
                'muscle' => $candidate->at->muscle, 'side' => $candidate->at->side->value, 'name' => $candidate->name,
                'words' => $candidate->word,
                'support' => round($candidate->support, 4), 'was' => $now[$candidate->at->key()] + 1,
            ],
            array_slice($pattern->candidates, 0, self::SHOWN),
        );

        return array_map($rows, $this->clinic->whatIf($case, $kind, $id, $side));
    }
}
