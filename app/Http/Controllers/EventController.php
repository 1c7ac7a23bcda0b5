<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\LogEvents;
use App\Http\Requests\LogEventsRequest;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;

final readonly class EventController
{
    public function store(LogEventsRequest $request, Visit $visit, #[CurrentUser] User $user, LogEvents $log): JsonResponse
    {
        return response()->json($log->handle($visit, $user, $request->events(), CarbonImmutable::now(), $request->sent()));
    }
}
