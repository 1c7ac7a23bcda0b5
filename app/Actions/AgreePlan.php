<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\Judgements;
use App\Models\Plan;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;

/** Keeps the plan as it was agreed with the client: from now on this one is worked. */
final readonly class AgreePlan
{
    public function __construct(private Judgements $judgements, private Once $once)
    {
    }

    /**
     * @param  string  $key  the window's name for this deed: sent twice it is agreed once
     *
     * @throws NothingToAgree where there is no plan, or the safety answers are not complete
     */
    public function handle(Visit $visit, User $user, string $key, CarbonImmutable $now): Plan
    {
        ['safety' => $safety, 'plan' => $plan] = $this->judgements->of($visit, 'safety', 'plan');
        if ($plan['verdict'] !== 'planned') {
            throw NothingToAgree::because((string) $plan['because']);
        }
        if ($safety['may_start'] !== true) {
            throw NothingToAgree::because('The safety questions marked for every visit are answered first.');
        }
        $judgement = $visit->judgements()->where('kind', 'plan')->firstOrFail();

        return Plan::query()->findOrFail($this->once->do($key, $user, 'plan agreed', static fn (): int => $visit->plans()->create([
            'case_hash' => $judgement->case_hash, 'atlas_version' => $judgement->atlas_version,
            'document' => self::named($plan, $visit->plans()->count()), 'agreed_by' => $user->id, 'agreed_at' => $now,
        ])->id));
    }

    /**
     * The steps of one plan are not those of another: what was done by the one before is none of this one's.
     *
     * @param  array<string, mixed>  $plan
     * @param  int  $before  plans that were agreed for the visit already
     * @return array<string, mixed>
     */
    private static function named(array $plan, int $before): array
    {
        $name = $before === 0 ? '' : 'p'.($before + 1);

        return [...$plan, 'steps' => array_map(static fn (array $step): array => [...$step, 'id' => $name.$step['id']], $plan['steps'])];
    }
}
