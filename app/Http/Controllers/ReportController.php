<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\ReportPage;
use App\Models\Client;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
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

    public function pdf(Request $request, Client $client, #[CurrentUser] User $user, ReportPage $page): Download
    {
        Gate::authorize('viewClinical', $client);

        return ClientFilesController::attachment(
            $page->pdf($client, $user, (string) $request->string('for'), (string) $request->string('words')), 'application/pdf',
            "report-{$client->code}.pdf",
        );
    }
}
