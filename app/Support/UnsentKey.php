<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Config;

/**
 * The key under which one person's unsent findings lie in a browser: theirs alone, the same on every device, and told with a page only
 * while they are signed in and the screen is open.
 */
final readonly class UnsentKey
{
    /** @return array{key: string, user: int}|null */
    public static function forPage(Request $request): ?array
    {
        $user = $request->user();

        return $user instanceof User && ! $request->routeIs('lock.show')
            ? ['key' => base64_encode(hash_hmac('sha256', "unsent|{$user->id}", Config::string('app.key'), true)), 'user' => $user->id]
            : null;
    }
}
