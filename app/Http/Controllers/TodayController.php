<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\TodayPage;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Inertia\Inertia;
use Inertia\Response;

final readonly class TodayController
{
    public function __invoke(#[CurrentUser] User $user, TodayPage $page): Response
    {
        return Inertia::render('Today', $page->of($user, CarbonImmutable::now()));
    }
}
