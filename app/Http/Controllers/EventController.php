<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\LogEvents;
use App\Actions\TableConsent;
use App\Cases\Judgements;
use App\Cases\TableEvents;
use App\Exchange\TreatmentStream;
use App\Http\Requests\LogEventsRequest;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;

final readonly class EventController
{
    /**
     * What stands as taken back, whether there is any work today, what bounds it (limits, and the hands of whoever works), and what another
     * device told meanwhile, to a room that says how much it has: it asks every few seconds.
     */
    public function consent(Request $request, Visit $visit, TableConsent $consent, Judgements $judgements): JsonResponse
    {
        Gate::authorize('view', $visit);
        $isBehind = $request->has('have') && $request->integer('have') !== $visit->events()->whereNull('fault')->count();

        $safety = $judgements->of($visit, 'safety')['safety'];
        $bounds = [$safety['limits'], $visit->user->setting('spared'), $visit->user->tools];

        return response()->json([
            ...$consent->standing($visit), 'verdict' => $safety['verdict'],
            'bounds' => hash('xxh64', json_encode($bounds, JSON_THROW_ON_ERROR)),
            'events' => $isBehind ? TableEvents::told($visit->id) : [],
        ]);
    }

    /** All of it, moment by moment, to take elsewhere. */
    public function export(Visit $visit, TreatmentStream $stream): Response
    {
        Gate::authorize('view', $visit);

        return ClientFilesController::attachment($stream->write($visit), 'application/x-ndjson', 'somatrace-treatment.jsonl');
    }

    public function store(LogEventsRequest $request, Visit $visit, #[CurrentUser] User $user, LogEvents $log): JsonResponse
    {
        return response()->json($log->handle($visit, $user, $request->events(), CarbonImmutable::now(), $request->sent()));
    }
}
