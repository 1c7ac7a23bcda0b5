<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Database\Heartbeat;
use Illuminate\Http\JsonResponse;

/**
 * Whether the program is up and its database can be read: for what watches it from outside, and for windows that wait for it. It tells
 * nothing else.
 */
final readonly class HealthController
{
    public function __invoke(): JsonResponse
    {
        $there = Heartbeat::isThere();

        return response()->json(['up' => $there], $there ? 200 : 503, ['Cache-Control' => 'no-store']);
    }
}
