<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\User;
use App\Support\Totp;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class SecondFactorTest extends TestCase
{
    #[DataProvider('vectors')]
    public function test_the_codes_are_those_of_the_standard(int $time, string $code): void
    {
        // RFC 6238, appendix B, SHA-1, eight digits
        self::assertSame($code, Totp::ofBytes('12345678901234567890')->code(intdiv($time, Totp::SECONDS), 8));
        self::assertSame($code, Totp::ofBase32('GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ')->code(intdiv($time, Totp::SECONDS), 8));
    }

    /** @return iterable<string, array{int, string}> */
    public static function vectors(): iterable
    {
        yield '1970' => [59, '94287082'];
        yield '2005, before the turn' => [1111111109, '07081804'];
        yield '2005, after it' => [1111111111, '14050471'];
        yield '2009' => [1234567890, '89005924'];
        yield '2033' => [2000000000, '69279037'];
        yield '2603' => [20000000000, '65353130'];
    }

    public function test_a_code_counts_for_its_time_and_the_ones_beside_it_and_once_only(): void
    {
        $totp = Totp::ofBytes(random_bytes(20));
        $step = intdiv($now = 1_800_000_000, Totp::SECONDS);

        foreach ([-1, 0, 1] as $off) {
            self::assertSame($step + $off, $totp->stepOf($totp->code($step + $off), $now));
        }
        self::assertNull($totp->stepOf($totp->code($step + 2), $now));
        self::assertNull($totp->stepOf($totp->code($step), $now, $step), 'used already');
        self::assertMatchesRegularExpression('/^[A-Z2-7]{32}$/', Totp::secret());
    }

    public function test_it_is_set_up_with_a_code_and_then_asked_at_the_door(): void
    {
        $user = $this->therapist();
        $this->actingAs($user);
        $this->postJson('/account/second-factor/begin', ['current' => 'wrong'])->assertUnprocessable();
        $secret = (string) $this->postJson('/account/second-factor/begin', ['current' => 'a good password'])->assertOk()->json('secret');
        $this->postJson('/account/second-factor', ['code' => '000000'])->assertUnprocessable();
        self::assertNull($user->fresh()?->second_factor, 'nothing is on before the app has shown a code');
        $codes = $this->postJson('/account/second-factor', ['code' => $this->code($secret)])->assertOk()->json('codes');
        self::assertCount(8, array_unique($codes));
        self::assertStringNotContainsString(
            $secret, (string) DB::table('users')->where('id', $user->id)->value('second_factor'), 'kept encrypted',
        );
        $this->post('/sign-out');

        $this->travel(2)->minutes();
        $this->post('/sign-in', ['email' => $user->email, 'password' => 'a good password'])->assertRedirect('/second-step');
        $this->get('/')->assertRedirect('/sign-in');
        $this->post('/second-step', ['code' => '12345'])->assertSessionHasErrors('code');
        $this->post('/second-step', ['code' => $this->code($secret)])->assertRedirect('/');
        $this->get('/')->assertOk();
        $this->post('/sign-out');
        $this->post('/sign-in', ['email' => $user->email, 'password' => 'a good password']);
        $this->post('/second-step', ['code' => $this->code($secret)])->assertSessionHasErrors('code');
        $this->post('/second-step', ['code' => strtoupper($codes[3])])->assertRedirect('/');
        $this->post('/sign-out');
        $this->post('/sign-in', ['email' => $user->email, 'password' => 'a good password']);
        $this->post('/second-step', ['code' => $codes[3]])->assertSessionHasErrors('code');
        self::assertCount(7, User::query()->findOrFail($user->id)->recovery_codes);
    }

    public function test_the_half_way_is_short_and_tries_are_counted(): void
    {
        $this->freezeTime();
        $user = $this->therapist();
        $user->forceFill(['second_factor' => Totp::secret(), 'recovery_codes' => []])->save();
        $this->get('/second-step')->assertRedirect('/sign-in');
        $this->post('/sign-in', ['email' => $user->email, 'password' => 'a good password'])->assertRedirect('/second-step');
        foreach (range(1, 5) as $try) {
            $this->post('/second-step', ['code' => '000001'])->assertSessionHasErrors('code');
        }
        $this->post('/second-step', ['code' => '000001'], ['Accept' => 'application/json'])->assertStatus(429);
        $this->travel(6)->minutes();
        $this->post('/second-step', ['code' => '000001'])->assertRedirect('/sign-in');
    }

    public function test_it_is_taken_away_with_the_password_and_a_code(): void
    {
        $user = $this->therapist();
        $secret = Totp::secret();
        $user->forceFill(['second_factor' => $secret, 'recovery_codes' => []])->save();
        $this->actingAs($user);
        $this->delete('/account/second-factor', ['current' => 'wrong', 'code' => $this->code($secret)])->assertSessionHasErrors('current');
        $this->delete('/account/second-factor', ['current' => 'a good password'])->assertSessionHasErrors('code');
        $this->delete('/account/second-factor', ['current' => 'a good password', 'code' => '000000'])->assertSessionHasErrors('code');
        self::assertNotNull($user->fresh()?->second_factor);
        $this->delete('/account/second-factor', ['current' => 'a good password', 'code' => $this->code($secret)])
            ->assertSessionHasNoErrors();
        self::assertNull($user->fresh()?->second_factor);
    }

    public function test_the_owner_resets_another_persons_and_a_command_that_of_the_sole_owner(): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $person = $this->therapist($owner->clinic);
        foreach ([$owner, $person] as $one) {
            $one->forceFill(['second_factor' => Totp::secret(), 'recovery_codes' => ['x']])->save();
        }
        $this->actingAs($person)->delete("/people/{$owner->id}/second-factor")->assertForbidden();
        $this->actingAs($this->therapist(role: Role::Owner))->delete("/people/{$person->id}/second-factor")->assertForbidden();
        $this->actingAs($owner)->delete("/people/{$owner->id}/second-factor")->assertForbidden();
        $this->delete("/people/{$person->id}/second-factor")->assertRedirect('/people');
        self::assertNull($person->fresh()?->second_factor);
        self::assertNotNull($owner->fresh()?->second_factor);

        $this->artisan('somatrace:second-factor', ['email' => 'nobody@quay.example'])->assertFailed();
        $this->artisan('somatrace:second-factor', ['email' => $owner->email])->assertSuccessful();
        self::assertNull($owner->fresh()?->second_factor);
        self::assertSame(1, DB::table('audit_lines')->where('kind', 'keeping')->where('deed', 'second factor reset')->count());
    }

    private function code(string $secret): string
    {
        return Totp::ofBase32($secret)->code(intdiv(now()->getTimestamp(), Totp::SECONDS));
    }
}
