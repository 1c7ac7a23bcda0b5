<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\Visit;
use Somatrace\Core\Clinic;

/**
 * Plans as they would be if something were set otherwise: in other minutes, after another school, with other things set by hand. Nothing is
 * recorded and nothing kept.
 *
 * @phpstan-type Supposed array{
 *     minutes?: int, school?: array<string, string>, targets?: list<array<string, mixed>>, dropped?: list<array<string, mixed>>
 * }
 */
final readonly class PlanTries
{
    public function __construct(private CaseAssembler $cases, private Clinic $clinic)
    {
    }

    /**
     * @param  list<Supposed>  $tries  what is not named stays as it is in the visit
     * @return list<array<string, mixed>> a plan for each, in the form of `plan`
     */
    public function of(Visit $visit, array $tries): array
    {
        return $this->supposed($this->cases->document($visit), $tries);
    }

    /**
     * @param  array<string, mixed>  $document  the case as it stands
     * @param  list<Supposed>  $tries
     * @return list<array<string, mixed>>
     */
    public function supposed(array $document, array $tries): array
    {
        $session = (array) ($document['session'] ?? []);
        $plans = [];
        foreach ($tries as $one) {
            $case = $this->clinic->reader()->hydrate([...$document, 'session' => array_filter([
                ...$session, ...$one, 'school' => [...(array) ($session['school'] ?? []), ...$one['school'] ?? []],
            ], static fn (mixed $part): bool => $part !== [])]);
            $plans[] = $this->clinic->plan($case)->toArray();
        }

        return $plans;
    }
}
