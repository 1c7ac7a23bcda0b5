<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AgreePlan;
use App\Actions\NothingToAgree;
use App\Cases\PlanTries;
use App\Http\Pages\PlanPaperPage;
use App\Http\Requests\AgreePlanRequest;
use App\Http\Requests\TryPlanRequest;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

final readonly class PlanController
{
    public const PAPERS = ['client' => 'Visit/PlanForClient', 'table' => 'Visit/PlanForTable'];

    public function store(AgreePlanRequest $request, Visit $visit, #[CurrentUser] User $user, AgreePlan $agree): RedirectResponse
    {
        try {
            $agree->handle($visit, $user, $request->key(), CarbonImmutable::now());
        } catch (NothingToAgree $reason) {
            throw ValidationException::withMessages(['plan' => $reason->getMessage()]);
        }

        return to_route('visits.show', [$visit, 'work']);
    }

    /** On one page to print: for the client in plain words, or for the one who works. */
    public function paper(Visit $visit, string $reader, PlanPaperPage $page): Response
    {
        Gate::authorize('view', $visit);

        return Inertia::render(self::PAPERS[$reader], $page->of($visit));
    }

    /** What would follow: while something is dragged, and to compare. */
    public function try(TryPlanRequest $request, Visit $visit, PlanTries $plans): JsonResponse
    {
        return response()->json(['plans' => $plans->of($visit, $request->tries())]);
    }
}
