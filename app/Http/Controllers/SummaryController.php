<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\SummaryPage;
use App\Models\Visit;
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
}
