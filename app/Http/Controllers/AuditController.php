<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\AuditPage;
use App\Http\Requests\AuditRequest;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Response;
use Inertia\Inertia;
use Inertia\Response as Page;

final readonly class AuditController
{
    public function show(AuditRequest $request, #[CurrentUser] User $user, AuditPage $page): Page
    {
        return Inertia::render('Clinic/Audit', [...$page->of($user->clinic, $request->filter()), 'filter' => $request->told()]);
    }

    public function download(AuditRequest $request, #[CurrentUser] User $user, AuditPage $page): Response
    {
        return ClientFilesController::attachment($page->csv($user->clinic, $request->filter()), 'text/csv', 'audit.csv');
    }
}
