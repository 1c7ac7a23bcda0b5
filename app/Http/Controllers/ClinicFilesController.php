<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ClinicFiles;
use App\Exchange\Listed;
use App\Exchange\Progress;
use App\Http\Requests\BringFileRequest;
use App\Models\Client;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Inertia\Inertia;
use Inertia\Response as Page;

/** Clients and appointments of the clinic as files, out and in. */
final readonly class ClinicFilesController
{
    public function show(): Page
    {
        Gate::authorize('create', Client::class);

        return Inertia::render('Clinic/Files', ['formats' => Listed::of(ClinicFiles::FORMATS)]);
    }

    public function download(string $format, #[CurrentUser] User $user, ClinicFiles $files): Response
    {
        Gate::authorize('create', Client::class);

        return ClientFilesController::attachment($files->write($format, $user), ClinicFiles::FORMATS[$format][0], $format);
    }

    /** How far the file of one's own window has come. */
    public function progress(string $token, #[CurrentUser] User $user): JsonResponse
    {
        return response()->json(['progress' => Progress::of($token, $user->id)]);
    }

    public function preview(BringFileRequest $request, string $format, #[CurrentUser] User $user, ClinicFiles $files): JsonResponse
    {
        return ClientFilesController::faultless(static fn (): array => $files->preview($format, $request->text(), $user));
    }

    public function apply(BringFileRequest $request, string $format, #[CurrentUser] User $user, ClinicFiles $files): JsonResponse
    {
        return ClientFilesController::faultless(
            static fn (): array => ['written' => $files->bring($format, $request->text(), $user, $request->digest())],
        );
    }
}
