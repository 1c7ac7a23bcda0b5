<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\DeskPage;
use App\Http\Pages\TodayPage;
use App\Models\Right;
use App\Models\User;
use App\Support\Day;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;

/** Today, or another day as it was or will be; who may not read records has a day of their own. */
final readonly class TodayController
{
    public function __invoke(Request $request, #[CurrentUser] User $user, TodayPage $page, DeskPage $desk): Response
    {
        $now = CarbonImmutable::now();
        [$asked, $zone] = [$request->query('day'), $user->clinic->timezone];
        $day = Day::read(is_string($asked) ? $asked : '', $zone) ?? $now->setTimezone($zone)->startOfDay();

        return $user->may(Right::ReadClinical)
            ? Inertia::render('Today', $page->of($user, $day, $now))
            : Inertia::render('Desk', $desk->of($user, $day, $now));
    }
}
