<?php

declare(strict_types=1);

namespace Tests;

use App\Cases\QuestionGroups;
use App\Models\Appointment;
use App\Models\Client;
use App\Models\Clinic;
use App\Models\Role;
use App\Models\User;
use App\Models\Visit;
use App\Models\Waiting;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use Illuminate\Http\Request;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Somatrace\Core\Clinic as Core;

abstract class TestCase extends BaseTestCase
{
    use RefreshDatabase;

    protected const TABLET = '01KB3J5Y7V00000000000000AA';

    /** running number of the tablet */
    private int $happened = 0;

    protected function setUp(): void
    {
        // the framework keeps them for the whole process
        Request::setTrustedHosts([]);
        Request::setTrustedProxies([], Request::HEADER_X_FORWARDED_FOR);
        parent::setUp();
        $this->withoutVite();
    }

    /** Somebody else at the same browser: what the session knew of the one before goes. */
    public function actingAs(Authenticatable $user, $guard = null): static
    {
        session()->forget('password_hash_web');

        return parent::actingAs($user, $guard);
    }

    protected function therapist(?Clinic $clinic = null, Role $role = Role::Therapist): User
    {
        $clinic ??= Clinic::query()->create(['name' => 'Quay Street Rooms', 'timezone' => 'UTC', 'scope_off' => []]);

        return User::hire($role, [
            'clinic_id' => $clinic->id, 'name' => 'Ada Thorn', 'email' => fake()->unique()->safeEmail(), 'password' => 'a good password',
            'licensed' => true, 'experience' => 'qualified', 'mass_kg' => 70, 'tools' => [],
        ])->refresh();
    }

    /** What a window does: each deed carries a key. */
    public function post($uri, array $data = [], array $headers = [])
    {
        return parent::post($uri, [...$data, 'key' => $data['key'] ?? (string) Str::ulid()], $headers);
    }

    protected function client(User $user, string $name = 'Wilma Reed'): Client
    {
        return Client::query()->create([
            'clinic_id' => $user->clinic_id, 'name' => $name, 'code' => 'WR-'.fake()->unique()->numberBetween(10, 9999),
            'search' => Client::folded($name), 'pronoun' => 'she', 'born_on' => '1985-04-01', 'hand' => 'right',
        ]);
    }

    protected function visit(User $user, ?Client $client = null): Visit
    {
        $client ??= $this->client($user);
        $this->actingAs($user)->post("/clients/{$client->public_id}/visits")->assertRedirect();

        return $client->visits()->latest('number')->firstOrFail();
    }

    /** An appointment of a client, in UTC. */
    protected function booked(User $user, Client $client, string $at, int $minutes = 60): Appointment
    {
        return Appointment::query()->create([
            'clinic_id' => $user->clinic_id, 'client_id' => $client->id, 'user_id' => $user->id, 'starts_at' => $at, 'minutes' => $minutes,
            'status' => 'booked',
        ]);
    }

    protected function waits(User $user, Client $client): Waiting
    {
        return Waiting::query()->create([
            'clinic_id' => $user->clinic_id, 'client_id' => $client->id, 'minutes' => 60, 'days' => [], 'part' => 'any',
        ]);
    }

    /** @return TestResponse<\Symfony\Component\HttpFoundation\Response> */
    protected function save(
        Visit $visit,
        string $kind,
        mixed $payload,
        ?string $identity = null,
        int $seen = 0,
        string $phase = 'before',
        string $step = 'ask',
    ): TestResponse {
        return $this->putJson(
            "/visits/{$visit->public_id}/entries?step=$step",
            ['kind' => $kind, 'phase' => $phase, 'identity' => $identity, 'payload' => $payload, 'seen' => $seen],
        );
    }

    /**
     * Something that happens at the table, as a room would tell it.
     *
     * @param  array<string, mixed>  $payload
     * @return array<string, mixed>
     */
    protected function happening(
        string $type,
        array $payload = [],
        ?string $at = null,
        string $device = self::TABLET,
        ?int $number = null,
        string $step = 's01',
    ): array {
        return [
            'id' => (string) Str::ulid(), 'type' => $type, 'step' => $step, 'payload' => $payload, 'device' => $device,
            'number' => $number ?? ++$this->happened, 'happened_at' => $at ?? now()->toIso8601ZuluString('millisecond'),
        ];
    }

    /**
     * @param  array<string, mixed>  ...$events
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    protected function tell(Visit $visit, array ...$events): TestResponse
    {
        return $this->postJson(
            "/visits/{$visit->public_id}/events", ['events' => $events, 'sent_at' => now()->toIso8601ZuluString('millisecond')],
        );
    }

    /** Read out and denied all together, as the page does it. */
    protected function denyEverything(Visit $visit): void
    {
        $denied = static fn (string $kind, mixed $payload, string $identity): array => [
            'kind' => $kind, 'phase' => 'before', 'identity' => $identity, 'payload' => $payload, 'seen' => 0,
        ];
        $flags = array_keys(app(Core::class)->rules()->flags->flags);
        $entries = [
            ...array_map(static fn (string $flag): array => $denied('red_flag', 'no', $flag), $flags),
            ...array_map(static fn (string $group): array => $denied('group_asked', true, $group), QuestionGroups::ids(app(Core::class))),
        ];
        $this->postJson("/visits/{$visit->public_id}/entries?step=screen", ['entries' => $entries])->assertOk();
    }

    /** A neck that hurts on the left, with the muscle that reproduces it. */
    protected function recordNeck(Visit $visit, float $pain = 6): void
    {
        $this->save($visit, 'complaint', ['zone' => 'neck_back', 'side' => 'left', 'now' => $pain])->assertOk();
        $this->save($visit, 'range', ['movement' => 'cervical.rotation', 'side' => 'left', 'active' => 70])->assertOk();
        $this->save($visit, 'range', ['movement' => 'cervical.rotation', 'side' => 'right', 'active' => 48, 'pain' => 3])->assertOk();
        $this->save(
            $visit, 'palpation',
            [
                'muscle' => 'levator_scapulae', 'side' => 'left', 'tenderness' => 3, 'tone' => 'high', 'texture' => ['taut_band'],
                'familiar' => 'yes',
            ],
        )->assertOk();
    }
}
