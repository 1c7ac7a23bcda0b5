<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\HomeCarePage;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Http\Response as Download;
use Illuminate\Support\Facades\Gate;
use Inertia\Inertia;
use Inertia\Response;

final readonly class HomeCareController
{
    public function show(Visit $visit, HomeCarePage $page): Response
    {
        Gate::authorize('view', $visit);

        return Inertia::render('Visit/HomeCare', $page->of($visit));
    }

    public function pdf(Visit $visit, HomeCarePage $page): Download
    {
        Gate::authorize('view', $visit);

        return ClientFilesController::attachment(
            $page->pdf($visit), 'application/pdf', "home-care-{$visit->client->code}-{$visit->number}.pdf",
        );
    }

    public function calendar(Visit $visit, HomeCarePage $page): Download
    {
        Gate::authorize('view', $visit);

        return ClientFilesController::attachment(
            $page->calendar($visit, CarbonImmutable::now()), 'text/calendar', "home-care-{$visit->client->code}-{$visit->number}.ics",
        );
    }
}
