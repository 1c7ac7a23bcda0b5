<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Appointment;
use App\Models\Client;
use App\Models\Clinic;
use App\Models\Role;
use App\Models\User;
use App\Models\Visit;
use App\Models\VisitStatus;
use App\Policies\AppointmentPolicy;
use App\Policies\ClientPolicy;
use App\Policies\UserPolicy;
use App\Policies\VisitPolicy;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Who may do what, as tests/tables/policies.txt says: every deed of a policy is asked, those that are not listed as well. */
final class PoliciesTableTest extends TestCase
{
    private const POLICIES = [
        'visit' => VisitPolicy::class, 'client' => ClientPolicy::class, 'person' => UserPolicy::class,
        'appointment' => AppointmentPolicy::class,
    ];

    #[DataProvider('rows')]
    public function test_somebody_may_what_the_table_says_and_nothing_else(string $person, string $record, string $may): void
    {
        $clinic = Clinic::query()->create(['name' => 'Quay Street Rooms', 'timezone' => 'UTC', 'scope_off' => []]);
        $user = $this->person($clinic, explode(', ', $person));
        [$kind, $thing] = $this->record($clinic, $user, $record);

        $allowed = [];
        $policy = new (self::POLICIES[$kind]);
        foreach ((new \ReflectionClass($policy))->getMethods(\ReflectionMethod::IS_PUBLIC) as $method) {
            $asked = $method->getNumberOfParameters() === 1
                ? $policy->{$method->getName()}($user)
                : $policy->{$method->getName()}($user, $thing);
            if ($asked === true) {
                $allowed[] = $method->getName();
            }
        }

        self::assertSame($may === 'nothing' ? [] : explode(' ', $may), $allowed);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function rows(): iterable
    {
        foreach (file(dirname(__DIR__).'/tables/policies.txt', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $index => $line) {
            if (! str_starts_with($line, '#')) {
                [$person, $record, $may, $why] = array_map(trim(...), explode('|', $line));
                yield sprintf('%d: %s', $index + 1, $why) => [$person, $record, $may];
            }
        }
    }

    /** @param  list<string>  $said */
    private function person(Clinic $clinic, array $said): User
    {
        $other = in_array('elsewhere', $said, true)
            ? Clinic::query()->create(['name' => 'Elsewhere', 'timezone' => 'UTC', 'scope_off' => []])
            : $clinic;
        $user = $this->therapist($other, Role::from($said[0]));
        $user->update([
            'licensed' => ! in_array('unlicensed', $said, true), 'deactivated_at' => in_array('gone', $said, true) ? now() : null,
        ]);

        return $user->refresh();
    }

    /** @return array{string, Visit|Client|User|Appointment} */
    private function record(Clinic $clinic, User $user, string $record): array
    {
        $said = explode(', ', $record);
        $colleague = $this->therapist($clinic, $said[0] === 'visit of student' ? Role::Student : Role::Therapist);
        $client = $this->client($colleague);
        if (str_starts_with($said[0], 'visit')) {
            return ['visit', Visit::query()->create([
                'clinic_id' => $clinic->id, 'client_id' => $client->id,
                'user_id' => $said[0] === 'visit of own' ? $user->id : $colleague->id, 'number' => 1, 'started_at' => now(),
                'minutes' => 60,
                'status' => VisitStatus::tryFrom($said[1]) ?? VisitStatus::Open,
                'origin' => $said[1] === 'from elsewhere' ? 'elsewhere' : 'here',
            ])->refresh()];
        }
        if ($said[0] === 'client') {
            $client->forceFill([
                'erased_at' => ($said[1] ?? '') === 'erased' ? now() : null,
                'merged_into_id' => ($said[1] ?? '') === 'merged' ? $this->client($colleague)->id : null,
            ])->save();

            return ['client', $client];
        }

        return $said[0] === 'person' ? ['person', $colleague] : ['appointment', (new Appointment)->forceFill(['clinic_id' => $clinic->id])];
    }
}
