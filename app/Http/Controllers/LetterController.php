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
            $paper->pdf('papers.letter', [
                'code' => $visit->client->code, 'paragraphs' => preg_split('/\n{2,}/', trim($page->text($visit))) ?: [],
            ]), 'application/pdf',
            "letter-{$visit->client->code}.pdf",
        );
    }
}
