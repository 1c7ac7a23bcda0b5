<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\KeepReportWords;
use App\Http\Pages\ReportPage;
use App\Http\Requests\ReportWordsRequest;
use App\Models\Client;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as Download;
use Illuminate\Support\Facades\Gate;
use Inertia\Inertia;
use Inertia\Response;

final readonly class ReportController
{
    public function show(Request $request, Client $client, #[CurrentUser] User $user, ReportPage $page): Response
    {
        Gate::authorize('viewClinical', $client);

        return Inertia::render('Client/Report', $page->of(
            $client, $user, (string) $request->string('for'), (string) $request->string('words'),
        ));
    }

    public function keep(ReportWordsRequest $request, Client $client, #[CurrentUser] User $user, KeepReportWords $keep): JsonResponse
    {
        ['kept' => $kept, 'stands' => $stands] = $keep->handle(
            $request->visit($client), $user, $request->reader(), $request->words(), $request->integer('seen'),
        );

        return response()->json(['words' => $stands->words, 'revision' => $stands->revision], $kept ? 200 : 409);
    }

    public function pdf(Request $request, Client $client, #[CurrentUser] User $user, ReportPage $page): Download
    {
        Gate::authorize('viewClinical', $client);

        return ClientFilesController::attachment(
            $page->pdf($client, $user, (string) $request->string('for'), (string) $request->string('words')), 'application/pdf',
            "report-{$client->code}.pdf",
        );
    }
}
