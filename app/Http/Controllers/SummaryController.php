<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\SummaryPage;
use App\Models\Visit;
use Illuminate\Http\Response as Download;
use Illuminate\Support\Facades\Gate;
use Inertia\Inertia;
use Inertia\Response;

final readonly class SummaryController
{
    public function show(Visit $visit, SummaryPage $page): Response
    {
        Gate::authorize('view', $visit);

        return Inertia::render('Visit/Summary', $page->of($visit));
    }

    public function pdf(Visit $visit, SummaryPage $page): Download
    {
        Gate::authorize('view', $visit);

        return ClientFilesController::attachment(
            $page->pdf($visit), 'application/pdf', "summary-{$visit->client->code}-{$visit->number}.pdf",
        );
    }
}
