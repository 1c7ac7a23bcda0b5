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
            'case_hash' => $judgement->case_hash, 'atlas_version' => $judgement->atlas_version, 'document' => $plan,
            'agreed_by' => $user->id, 'agreed_at' => $now,
        ])->id));
    }
}
