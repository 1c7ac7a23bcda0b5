<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\LogEvents;
use App\Actions\TableConsent;
use App\Cases\Judgements;
use App\Http\Requests\LogEventsRequest;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\Gate;

final readonly class EventController
{
    /** What stands as taken back, and whether there is any work today: a room asks every few seconds. */
    public function consent(Visit $visit, TableConsent $consent, Judgements $judgements): JsonResponse
    {
        Gate::authorize('view', $visit);

        return response()->json([...$consent->standing($visit), 'verdict' => $judgements->of($visit, 'safety')['safety']['verdict']]);
    }

    public function store(LogEventsRequest $request, Visit $visit, #[CurrentUser] User $user, LogEvents $log): JsonResponse
    {
        return response()->json($log->handle($visit, $user, $request->events(), CarbonImmutable::now(), $request->sent()));
    }
}
