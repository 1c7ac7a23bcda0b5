<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\StartVisit;
use App\Actions\StopVisit;
use App\Database\Busy;
use App\Exchange\CaseFile\CaseFormat;
use App\Http\Pages\VisitLine;
use App\Http\Pages\VisitPage;
use App\Http\Requests\StartVisitRequest;
use App\Models\Client;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Support\Facades\Gate;
use Inertia\Inertia;
use Inertia\Response;

final readonly class VisitController
{
    public function store(StartVisitRequest $request, Client $client, #[CurrentUser] User $user, StartVisit $start): RedirectResponse
    {
        $visit = $start->handle($client, $user, $request->appointment(), $request->key(), CarbonImmutable::now());

        return to_route('visits.show', [$visit, $visit->last_step]);
    }

    public function show(Visit $visit, VisitPage $page, ?string $step = null): Response|RedirectResponse
    {
        Gate::authorize('view', $visit);
        if ($step === null || ! in_array($step, VisitLine::STEPS, true)) {
            return to_route('visits.show', [$visit, $visit->last_step]);
        }
        if (! $visit->isSigned() && $visit->last_step !== $step) {
            Busy::unless(
                static fn () => $visit->update(['last_step' => $step]),
            ); // where to come back to: no reason to keep a reader waiting
        }

        return Inertia::render('Visit/'.ucfirst($step), $page->of($visit, $step));
    }

    public function update(Request $request, Visit $visit): RedirectResponse
    {
        Gate::authorize('update', $visit);
        $visit->update($request->validate(
            ['minutes' => ['required', 'integer', 'between:10,180']], ['minutes.between' => 'Between 10 and 180 minutes, please.'],
        ));

        return back();
    }

    public function stop(Visit $visit, StopVisit $stop): RedirectResponse
    {
        Gate::authorize('update', $visit);
        $stop->handle($visit, CarbonImmutable::now());

        return to_route('clients.show', $visit->client()->firstOrFail())->with(
            'message', 'The visit is kept as it stands. Take it up again whenever you like.',
        );
    }

    public function takeUp(Visit $visit, StopVisit $stop): RedirectResponse
    {
        Gate::authorize('update', $visit);
        $stop->takeUp($visit);

        return to_route('visits.show', [$visit, $visit->last_step]);
    }

    /** The whole case in the open format, to take elsewhere. */
    public function export(Visit $visit, CaseFormat $format): PlainResponse
    {
        Gate::authorize('view', $visit);

        return ClientFilesController::attachment($format->write($visit), 'application/json', 'somatrace-case.json');
    }
}
