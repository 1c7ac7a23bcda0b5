<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Cases\ClinicProtocols;
use App\Cases\Judgements;
use App\Http\Requests\BringProtocolRequest;
use App\Http\Requests\KeepProtocolRequest;
use App\Http\Requests\TryProtocolRequest;
use App\Models\Protocol;
use App\Models\Right;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Somatrace\Core\Clinic;

/** Plans with a name: kept from a visit, tried on another, taken out and in as files. */
final readonly class ProtocolController
{
    public function __construct(private ClinicProtocols $protocols)
    {
    }

    public function index(Visit $visit, #[CurrentUser] User $user): JsonResponse
    {
        Gate::authorize('view', $visit);

        return response()->json(['protocols' => $this->protocols->of($visit, $user)]);
    }

    public function store(KeepProtocolRequest $request, Visit $visit, #[CurrentUser] User $user, Judgements $judged): JsonResponse
    {
        $plan = $judged->of($visit, 'plan')['plan'];
        if (($plan['targets'] ?? []) === []) {
            throw ValidationException::withMessages(['name' => 'There is nothing in the plan to keep.']);
        }
        $kept = $this->protocols->keep($visit, $user, $request->about(), $request->boolean('shared'), $plan);

        return response()->json(['id' => $kept->public_id, 'version' => $kept->version], 201);
    }

    public function try(TryProtocolRequest $request, Visit $visit): JsonResponse
    {
        return response()->json($this->protocols->tried($visit, $request->protocol($this->protocols), $request->side()));
    }

    public function file(string $protocol, #[CurrentUser] User $user): Response
    {
        abort_unless($user->may(Right::ReadClinical), 403);
        $one = $this->protocols->find($user, $protocol) ?? abort(404);
        $text = json_encode(
            $one->toArray(), JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        )."\n";

        return ClientFilesController::attachment($text, 'application/json', Str::slug($one->name).'.protocol.json');
    }

    public function bring(BringProtocolRequest $request, #[CurrentUser] User $user, Clinic $clinic): JsonResponse
    {
        return ClientFilesController::faultless(function () use ($request, $user, $clinic): array {
            $kept = $this->protocols->take($user, $clinic->protocols()->read($request->text()), false);

            return ['id' => $kept->public_id, 'version' => $kept->version];
        });
    }

    /** Whether everybody who treats here sees it: all of its versions. */
    public function update(Request $request, string $protocol, #[CurrentUser] User $user): JsonResponse
    {
        $line = $this->line($protocol, $user);
        $shared = $request->validate(['shared' => ['required', 'boolean']])['shared'];
        $line->update(['shared' => (bool) $shared]);

        return response()->json(['shared' => (bool) $shared]);
    }

    public function destroy(string $protocol, #[CurrentUser] User $user): JsonResponse
    {
        $this->line($protocol, $user)->update(['gone_at' => CarbonImmutable::now()]);

        return response()->json(['gone' => true]);
    }

    /** @return Builder<Protocol> all versions of one of their own */
    private function line(string $protocol, User $user): Builder
    {
        abort_unless($user->may(Right::WriteClinical), 403);
        $one = Protocol::seenBy($user)->where('public_id', $protocol)->firstOrFail();
        abort_unless($one->user_id === $user->id, 403);

        return Protocol::query()->where('line', $one->line);
    }
}
