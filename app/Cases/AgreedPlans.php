<?php

declare(strict_types=1);

namespace App\Cases;

use Illuminate\Support\Facades\DB;

/** What was agreed to be done in a visit, in the order in which it was agreed. */
final readonly class AgreedPlans
{
    /**
     * @param  array<array-key, array<string, mixed>>  $steps  of all of them, by id
     * @param  array<string, mixed>  $last  the plan that stands; empty where none was agreed
     */
    private function __construct(public array $steps, public array $last)
    {
    }

    public static function of(int $visit): self
    {
        $plans = DB::table('plans')->where('visit_id', $visit)->orderBy('id')->pluck('document')
            ->map(static fn (mixed $document): array => (array) json_decode((string) $document, true))->all();

        return new self(
            array_column(array_merge([], ...array_column($plans, 'steps')), null, 'id'), $plans[count($plans) - 1] ?? [],
        );
    }
}
