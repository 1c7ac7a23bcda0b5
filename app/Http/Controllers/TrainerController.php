<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AnswerCard;
use App\Http\Pages\TrainerPage;
use App\Http\Requests\AnswerCardRequest;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Inertia\Inertia;
use Inertia\Response;

final readonly class TrainerController
{
    public function show(Request $request, #[CurrentUser] User $user, TrainerPage $page): Response
    {
        return Inertia::render(
            'Atlas/Trainer', $page->of($user, $request->string('region')->toString() ?: null, random_int(1, 2_000_000_000)),
        );
    }

    public function store(AnswerCardRequest $request, #[CurrentUser] User $user, AnswerCard $answer, TrainerPage $page): JsonResponse
    {
        return response()->json([
            'right' => $answer->handle($user, $request->card(), $request->chosen()), 'progress' => $page->progress($user),
        ]);
    }
}
