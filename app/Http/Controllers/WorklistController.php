<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\WorklistPage;
use App\Http\Requests\WorklistRequest;
use App\Models\Visit;
use Illuminate\Http\JsonResponse;

final readonly class WorklistController
{
    public function show(WorklistRequest $request, Visit $visit, WorklistPage $page): JsonResponse
    {
        return response()->json($page->of($visit, $request->regions(), $request->boolean('full'), $request->position()));
    }
}
