<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\AskBackByMail;
use App\Actions\HandOutCheckIn;
use App\Actions\TakeOverCheckIn;
use App\Cases\CheckInAnswers;
use App\Cases\EntryRows;
use App\Models\CheckBackMail;
use App\Models\CheckIn;
use App\Models\Client;
use App\Models\EntryKind;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitStatus;
use App\Support\Letters;
use Carbon\CarbonImmutable;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;
use Symfony\Component\HttpFoundation\Response as HttpResponse;

/** Questions answered by a client alone, without an account. Whoever holds no valid link learns nothing, not even a name. */
final readonly class CheckInController
{
    private const WRONG_CODES = 6;

    private const LOCKED_SECONDS = 900;

    private const STATUS = ['invalid' => 404, 'expired' => 410, 'elsewhere' => 410, 'sent' => 410];

    /** Handed out at reception or by the therapist; link and code are shown this once. */
    public function store(Client $client, #[CurrentUser] User $user, HandOutCheckIn $handOut): RedirectResponse
    {
        Gate::authorize('update', $client);
        $given = $handOut->handle($client, $user, CarbonImmutable::now());

        return back()->with(
            'check_in',
            [
                'link' => Letters::link('check-in.show', $given['link']), 'code' => $given['code'],
                'until' => $given['until']->setTimezone($user->clinic->timezone)->format('H:i'),
            ],
        );
    }

    /** Asks how it was after a visit that has ended. */
    public function askBack(Visit $visit, #[CurrentUser] User $user, HandOutCheckIn $handOut): RedirectResponse
    {
        Gate::authorize('view', $visit);
        abort_if($visit->status === VisitStatus::Open, 409, 'How it was is asked once the visit has ended.');
        $given = $handOut->handle($visit->client, $user, CarbonImmutable::now(), $visit);

        return back()->with('check_in', [
            'link' => Letters::link('check-in.show', $given['link']), 'code' => $given['code'],
            'until' => $given['until']->setTimezone($user->clinic->timezone)->format('Y-m-d'),
        ]);
    }

    /** The client agreed to be asked by mail, a day and two days after. */
    public function mailBack(Visit $visit, AskBackByMail $ask): RedirectResponse
    {
        Gate::authorize('view', $visit);
        abort_if($visit->status === VisitStatus::Open, 409, 'How it was is asked once the visit has ended.');
        $ask->handle($visit, CarbonImmutable::now());

        return back();
    }

    public function mailNot(Visit $visit): RedirectResponse
    {
        Gate::authorize('view', $visit);
        CheckBackMail::query()->where('visit_id', $visit->id)->whereNull('sent_at')->delete();

        return back();
    }

    public function code(): Response
    {
        return Inertia::render('CheckIn/Code');
    }

    /** A code leads to the same questions as its link; wrong ones lock the address they come from, and nobody else. */
    public function enter(Request $request): RedirectResponse
    {
        $key = 'check-in-code|'.$request->ip();
        if (RateLimiter::tooManyAttempts($key, self::WRONG_CODES)) {
            throw ValidationException::withMessages([
                'code' => 'Too many wrong codes from here. Wait '.(int) ceil(
                    RateLimiter::availableIn($key) / 60,
                ).' minutes, or ask at reception.',
            ])->status(429);
        }
        $code = strtoupper((string) preg_replace('/[^0-9a-z]/i', '', (string) $request->string('code')));
        $checkIn = $code === '' ? null : CheckIn::query()->where('code_hash', CheckIn::hash($code))->first();
        if ($checkIn === null || $this->trouble($checkIn, $request) !== null) {
            RateLimiter::hit($key, self::LOCKED_SECONDS);

            throw ValidationException::withMessages([
                'code' => 'This code does not open anything. Look at it again, or ask for a new one.',
            ]);
        }
        RateLimiter::clear($key);
        // the code is spent on a fresh link for this device
        $link = Str::random(43);
        $checkIn->update(['link_hash' => CheckIn::hash($link)]);

        return to_route('check-in.show', $link);
    }

    public function show(Request $request, string $link, CheckInAnswers $answers): HttpResponse
    {
        $checkIn = $this->find($link);
        $trouble = $checkIn === null ? 'invalid' : $this->trouble($checkIn, $request);
        if ($checkIn === null || $trouble !== null) {
            $after = $checkIn?->after_visit_id !== null;

            return Inertia::render('CheckIn/Closed', ['why' => $trouble, 'after' => $after])->toResponse($request)->setStatusCode(
                self::STATUS[$trouble ?? 'invalid'],
            );
        }
        if ($checkIn->opened_at === null) {
            return Inertia::render('CheckIn/Begin', ['link' => $link, 'clinic' => $checkIn->clinic->name])->toResponse($request);
        }
        $checkIn->loadMissing('client');
        if ($checkIn->after !== null) {
            return Inertia::render('CheckIn/Back', [
                'link' => $link, 'name' => Str::before($checkIn->client->name, ' '), 'answers' => (object) $checkIn->answers,
                'last' => $this->asked($checkIn->after),
            ])->toResponse($request);
        }

        return Inertia::render('CheckIn/Questions', [
            'link' => $link, 'name' => Str::before($checkIn->client->name, ' '), 'answers' => (object) $checkIn->answers,
            'groups' => $answers->groups(), 'last' => $this->last($checkIn),
        ])->toResponse($request);
    }

    /** Opens it on this device, and on this one only. */
    public function open(Request $request, string $link): RedirectResponse
    {
        $checkIn = $this->find($link);
        if ($checkIn !== null && $checkIn->opened_at === null && $this->trouble($checkIn, $request) === null) {
            $device = Str::random(40);
            $request->session()->put("check_in_device.{$checkIn->id}", $device);
            $checkIn->update(['opened_at' => CarbonImmutable::now(), 'device_hash' => CheckIn::hash($device)]);
        }

        return to_route('check-in.show', $link);
    }

    /** Keeps the answers so far; the last call sends them. */
    public function update(Request $request, string $link, CheckInAnswers $check): JsonResponse
    {
        $checkIn = $this->find($link);
        $trouble = $checkIn === null ? 'invalid' : $this->trouble($checkIn, $request);
        if ($checkIn === null || $trouble !== null || $checkIn->opened_at === null) {
            return response()->json(['why' => $trouble ?? 'invalid'], self::STATUS[$trouble ?? 'invalid']);
        }
        // what did not arrive as answers must not be kept in place of those that did
        abort_unless($request->isJson(), 415);
        $answers = $request->json('answers');
        if (! is_array($answers)) {
            throw ValidationException::withMessages(['answers' => 'No answers arrived. What was answered before stands.']);
        }
        $today = CarbonImmutable::now()->toDateString();
        $faults = $checkIn->after_visit_id === null ? $check->faults($answers, $today) : $check->faultsBack($answers, $today);
        if ($faults !== []) {
            throw ValidationException::withMessages(['answers' => $faults]);
        }
        $checkIn->update(['answers' => $answers, ...($request->boolean('send') ? ['sent_at' => CarbonImmutable::now()] : [])]);

        return response()->json(['kept' => true]);
    }

    /** The therapist takes the answers into the record of the visit. */
    public function take(Visit $visit, #[CurrentUser] User $user, TakeOverCheckIn $takeOver): RedirectResponse
    {
        Gate::authorize('update', $visit);
        $checkIn = CheckIn::query()
            ->where('client_id', $visit->client_id)
            ->whereNull('after_visit_id')
            ->whereNotNull('sent_at')
            ->whereNull('visit_id')
            ->latest('sent_at')
            ->first();
        abort_if($checkIn === null, 404);
        $takeOver->handle($checkIn, $visit, $user);

        return back();
    }

    /** @return array{date: string, home_care: list<mixed>, tasks: list<string>} what a check-back asks about a visit */
    private function asked(Visit $visit): array
    {
        $rows = EntryRows::of([$visit->id]);

        return [
            'date' => $visit->day(), 'home_care' => $rows->payloads(EntryKind::HomeCare),
            'tasks' => array_slice(array_map(
                static fn (mixed $task): string => is_array($task) ? (string) ($task['task'] ?? '') : '',
                $rows->payloads(EntryKind::Function),
            ), 0, 1),
        ];
    }

    /** @return array{date: string, home_care: list<mixed>}|null the last visit that came to an end: how was it afterwards? */
    private function last(CheckIn $checkIn): ?array
    {
        $visit = Visit::query()->where('client_id', $checkIn->client_id)
            ->whereIn('status', [VisitStatus::Signed, VisitStatus::Stopped])->latest('number')->first();

        return $visit === null ? null : [
            'date' => $visit->day(), 'home_care' => EntryRows::of([$visit->id])->payloads(EntryKind::HomeCare),
        ];
    }

    private function find(string $link): ?CheckIn
    {
        return CheckIn::query()->where('link_hash', CheckIn::hash($link))->first();
    }

    /** Why it does not open here; null when it does. */
    private function trouble(CheckIn $checkIn, Request $request): ?string
    {
        $device = $request->session()->get("check_in_device.{$checkIn->id}");

        return match (true) {
            $checkIn->sent_at !== null => 'sent',
            $checkIn->expires_at->isPast() => 'expired',
            $checkIn->device_hash !== null && (! is_string($device) || ! hash_equals($checkIn->device_hash, CheckIn::hash($device)))
                => 'elsewhere',
            default => null,
        };
    }
}
