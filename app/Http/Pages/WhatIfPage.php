<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Cases\CaseAssembler;
use App\Models\Visit;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Clinic;
use Somatrace\Core\Pattern\PatternResult;

/** How the ranking would move if a check answered, or were clean. Nothing is recorded. */
final readonly class WhatIfPage
{
    private const SHOWN = 5;

    public function __construct(private CaseAssembler $cases, private Clinic $clinic)
    {
    }

    /**
     * @return array{answers: array<string, mixed>, clean: array<string, mixed>} the first few, each with its place now, and what the plan
     *     would do
     */
    public function of(Visit $visit, string $kind, string $id, Side $side): array
    {
        $case = $this->cases->of($visit);
        $now = array_flip(array_column($this->clinic->rank($case)->shares(), 0));
        $planned = $this->targets($case);

        return array_map(fn (CaseFile $supposed): array => [
            'first' => $this->first($this->clinic->rank($supposed), $now), 'plan' => $this->changed($planned, $this->targets($supposed)),
        ], $this->clinic->whatIf($case, $kind, $id, $side));
    }

    /**
     * @param  array<string, int>  $now  places by key
     * @return list<array<string, mixed>>
     */
    private function first(PatternResult $pattern, array $now): array
    {
        $named = [];
        foreach ([...$pattern->candidates, ...$pattern->joints] as $one) {
            $named[$one->at->key()] = $one;
        }

        return array_map(static fn (array $share): array => [
            'key' => $share[0], 'name' => $named[$share[0]]->name, 'words' => $named[$share[0]]->word, 'was' => $now[$share[0]] + 1,
        ], array_slice($pattern->shares(), 0, self::SHOWN));
    }

    /** @return array<string, string> what the plan works on, by its name; nothing where nobody should be treated */
    private function targets(CaseFile $case): array
    {
        $targets = [];
        foreach ($this->clinic->plan($case)->targets as $target) {
            if (is_string($target['name'])) {
                $targets[$target['name']] = $target['name'];
            }
        }

        return $targets;
    }

    /**
     * @param  array<string, string>  $now
     * @param  array<string, string>  $then
     * @return list<string> in words; nothing where it stays
     */
    private function changed(array $now, array $then): array
    {
        $more = array_diff_key($then, $now);
        $less = array_diff_key($now, $then);

        return array_values(array_filter([
            $more === [] ? null : 'takes in '.implode(', ', array_map(lcfirst(...), $more)),
            $less === [] ? null : 'leaves out '.implode(', ', array_map(lcfirst(...), $less)),
        ]));
    }
}
