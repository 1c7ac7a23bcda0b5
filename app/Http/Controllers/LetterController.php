<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\LetterPage;
use App\Models\Visit;
use App\Support\Paper;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Inertia\Inertia;
use Inertia\Response as Page;

final readonly class LetterController
{
    public function show(Visit $visit, LetterPage $page): Page
    {
        Gate::authorize('view', $visit);

        return Inertia::render('Visit/Letter', $page->of($visit));
    }

    public function pdf(Visit $visit, LetterPage $page, Paper $paper): Response
    {
        Gate::authorize('view', $visit);

        return ClientFilesController::attachment(
            $paper->pdf('<div style="font-size: 11pt">'.nl2br(e($page->text($visit))).'</div>'), 'application/pdf',
            "letter-{$visit->client->code}.pdf",
        );
    }
}
