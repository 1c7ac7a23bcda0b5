<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\LeanPage;
use App\Http\Requests\PlateHoldRequest;
use App\Http\Requests\PlateReadingsRequest;
use App\Models\Right;
use App\Models\User;
use App\Support\DeviceStream;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response as Plain;
use Inertia\Inertia;
use Inertia\Response;
use Somatrace\Core\Clinic;
use Somatrace\Core\Simulation\SimulatedPlate;
use Somatrace\Core\Training\PlateHold;

/** One's own hands on a pressure plate: what they make when they mean three, five or seven. Plans reckon with it. */
final readonly class LeanController
{
    public function show(#[CurrentUser] User $user, LeanPage $page): Response
    {
        abort_unless($user->may(Right::WriteClinical), 403);

        return Inertia::render('Atlas/Lean', $page->of($user));
    }

    public function store(PlateHoldRequest $request, #[CurrentUser] User $user, Clinic $clinic, LeanPage $page): JsonResponse
    {
        [$id, $aimed] = [(string) $request->string('tool'), $request->integer('aimed')];
        $hold = PlateHold::of($request->samples(), $clinic->plate()->expected($clinic->atlas()->tool($id), $aimed)->newtons);
        if ($hold === null) {
            return response()->json(['message' => 'Let go of too early, or hardly touched: nothing of it is kept.'], 422);
        }
        $made = [
            'force_n' => round($hold->forceN, 1), 'error' => round($hold->errorPercent, 1), 'sway' => round($hold->swayPercent, 1),
            'on' => $user->clinic->day(CarbonImmutable::now()), 'simulated' => ! $this->hasPlate(),
        ];
        if (! $request->boolean('seen')) {
            $holds = $user->holds();
            $holds[$id][$aimed] = $made;
            $this->keep($user, $holds);
        }

        return response()->json(['words' => $hold->words(), 'made' => $made, 'tools' => $page->tools($user)]);
    }

    /** Forgets what a tool made: plans reckon with the usual again. */
    public function destroy(#[CurrentUser] User $user, string $tool, LeanPage $page): JsonResponse
    {
        abort_unless($user->may(Right::WriteClinical), 403);
        $this->keep($user, array_diff_key($user->holds(), [$tool => true]));

        return response()->json(['tools' => $page->tools($user)]);
    }

    /** The plate that ships, with hands on it. */
    public function plate(PlateReadingsRequest $request, #[CurrentUser] User $user): Plain
    {
        // a stand-in answers where all is made up, and nowhere else
        abort_unless($user->clinic->demo, 404);
        $readings = (new SimulatedPlate())->readings(
            (string) $request->string('what'), $request->float('about'), crc32("hands {$user->id}"), $request->integer('repeat'),
        );

        return DeviceStream::of($readings);
    }

    /** @param  array<string, array<int, array<string, mixed>>>  $holds */
    private function keep(User $user, array $holds): void
    {
        $user->update(['settings' => [...$user->settings ?? [], 'calibration' => $holds]]);
    }

    private function hasPlate(): bool
    {
        return (string) config('somatrace.devices.plate') !== '';
    }
}
