<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Right;
use App\Models\Role;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Response as Sheet;
use Inertia\Inertia;
use Symfony\Component\HttpFoundation\Response;
use Throwable;

/** What goes wrong is said in our own words and looks, with a way on; where not even that can be made, on a plain sheet. */
final readonly class ErrorPage
{
    private const SAID = [403, 404, 419, 429, 500, 503];

    public static function respond(Response $response, Request $request): Response
    {
        $status = $response->getStatusCode();
        if (
            $request->expectsJson() || ! in_array($status, self::SAID, true) || ($status === 500 && config('app.debug') === true)
        ) {
            return $response;
        }
        $at = now()->utc()->format('Y-m-d H:i:s').' UTC';
        $retry = $response->headers->get('Retry-After');
        try {
            $page = Inertia::render('Error', [
                'status' => $status, 'retry' => is_numeric($retry) ? (int) $retry : null, 'at' => $at,
                'keepers' => $status === 403 ? self::keepers($request->user()) : [],
            ])->toResponse($request)->setStatusCode($status);
        } catch (Throwable) {
            // the database or the session is what is broken: nothing is asked of either
            $page = new Sheet(view('broken', ['status' => $status, 'at' => $at])->render(), $status);
        }
        if ($retry !== null) {
            $page->headers->set('Retry-After', $retry);
        }

        return $page;
    }

    /** @return list<string> who gives rights here: whoever may not, asks them */
    private static function keepers(mixed $user): array
    {
        $roles = array_map(static fn (Role $role): string => $role->value, array_filter(
            Role::cases(), static fn (Role $role): bool => $role->may(Right::KeepPeople),
        ));

        return $user instanceof User
            ? array_values(User::query()->where('clinic_id', $user->clinic_id)->where('id', '!=', $user->id)->whereNull('deactivated_at')
                ->whereHas('roles', static fn ($of) => $of->whereIn('name', $roles))->orderBy('name')->limit(3)->pluck('name')->all())
            : [];
    }
}
