<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\CaseloadPage;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;

final readonly class CaseloadController
{
    public function __invoke(Request $request, #[CurrentUser] User $user, CaseloadPage $page): Response
    {
        return Inertia::render('Caseload', $page->of($user, (string) $request->string('of'), CarbonImmutable::now()));
    }
}
