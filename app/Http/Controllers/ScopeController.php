<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\ScopePage;
use App\Http\Requests\ScopeRequest;
use App\Models\Right;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\RedirectResponse;
use Inertia\Inertia;
use Inertia\Response;

final readonly class ScopeController
{
    public function show(#[CurrentUser] User $user, ScopePage $page): Response
    {
        abort_unless($user->may(Right::ReadClinical), 403);

        return Inertia::render('Scope', $page->of($user->clinic));
    }

    public function update(ScopeRequest $request, #[CurrentUser] User $user): RedirectResponse
    {
        $reasons = $request->reasons();
        $user->clinic->update(['scope_off' => array_keys($reasons), 'scope_reasons' => $reasons]);

        return back()->with('message', 'Kept. What is off here is in no new plan.');
    }
}
