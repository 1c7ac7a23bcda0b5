<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AgreePlan;
use App\Actions\NothingToAgree;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;

final readonly class PlanController
{
    public function store(Visit $visit, #[CurrentUser] User $user, AgreePlan $agree): RedirectResponse
    {
        Gate::authorize('update', $visit);
        try {
            $agree->handle($visit, $user, CarbonImmutable::now());
        } catch (NothingToAgree $reason) {
            throw ValidationException::withMessages(['plan' => $reason->getMessage()]);
        }

        return to_route('visits.show', [$visit, 'work']);
    }
}
