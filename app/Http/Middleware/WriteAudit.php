<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Client;
use App\Models\User;
use App\Models\Visit;
use App\Support\Audit;
use App\Support\AuditDeed;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Writes who saw or changed what once it was answered, and who was refused; a deed that goes on, such as one finding after the other, is
 * written once in five minutes.
 */
final class WriteAudit
{
    private const AGAIN_AFTER_SECONDS = 300;

    private const SESSION_KEY = 'audited';

    /** Not allowed, not theirs, behind the lock, too often. */
    private const REFUSALS = [403, 404, 423, 429];

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $before = $request->user();
        $response = $next($request);
        $name = $request->route()?->getName();
        $deed = AuditDeed::ofRoute($name);
        $status = $response->getStatusCode();
        $user = $request->user() ?? $before; // who has just signed out was still there
        if ($name !== null && in_array($status, self::REFUSALS, true) && $user instanceof User) {
            $this->write($request, AuditDeed::tried($name), $user, (string) $status);
        } elseif ($deed !== null && ($status < 400 || $response->headers->has('X-Inertia-Location')) && ! $this->refused($request)) {
            // a page asked for by a whole load is no refusal
            $this->write($request, $deed, $user instanceof User ? $user : null);
        }

        return $response;
    }

    /** @param  string|null  $refused  the number by which it was refused */
    private function write(Request $request, AuditDeed $deed, ?User $user, ?string $refused = null): void
    {
        $visit = $request->route('visit');
        $client = $request->route('client');
        $visitId = $visit instanceof Visit ? $visit->id : null;
        $clientId = $client instanceof Client ? $client->id : ($visit instanceof Visit ? $visit->client_id : null);
        $detail = implode(', ', array_filter([$refused, $this->detail($request)]));
        $theirs = $client instanceof Client ? $client->clinic_id : ($visit instanceof Visit ? $visit->clinic_id : $user?->clinic_id);
        if ($user !== null && $theirs !== $user->clinic_id) {
            [$visitId, $clientId, $detail] = [
                null, null, "$detail, of another clinic",
            ]; // not even a code of theirs stands in the audit of this one
        }
        $key = hash('xxh64', json_encode([$user?->id, $deed->kind, $deed->words, $clientId, $visitId, $detail], JSON_THROW_ON_ERROR));
        $now = CarbonImmutable::now()->getTimestamp();
        /** @var array<string, int> $seen */
        $seen = array_filter(
            (array) $request->session()->get(self::SESSION_KEY, []),
            static fn (mixed $at): bool => is_int($at) && $at > $now - self::AGAIN_AFTER_SECONDS,
        );
        // a door without anybody is one that was not gone through: the second step is still to come, or the address was nobody's
        if ($deed->kind === 'door' && $refused === null ? $user === null : isset($seen[$key])) {
            return;
        }
        Audit::write(
            $deed, $user, (string) $request->ip(), (string) $request->userAgent(), $clientId, $visitId, $detail, $refused !== null,
        );
        $request->session()->put(self::SESSION_KEY, [...$seen, $key => $now]);
    }

    /** Which part of a record, by its name in the format; never what was said in it. */
    private function detail(Request $request): string
    {
        $kinds = $request->routeIs('visits.entries', 'visits.entries.several')
            ? array_unique(array_column([$request->only('kind'), ...(array) $request->input('entries', [])], 'kind'))
            : [];
        $person = $request->route('person');
        $parts = [
            ...array_filter($kinds, is_string(...)),
            is_string($request->route('step')) ? $request->route('step') : null,
            is_string($request->route('format')) ? $request->route('format') : null,
            $person instanceof User ? $person->name : null,
        ];

        return implode(', ', array_filter($parts));
    }

    /** A form that comes back with its faults has changed nothing. */
    private function refused(Request $request): bool
    {
        return $request->hasSession() && in_array('errors', (array) $request->session()->get('_flash.new', []), true);
    }
}
