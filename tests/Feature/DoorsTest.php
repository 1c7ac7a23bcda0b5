<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Jobs\SendLink;
use App\Models\OutboxMail;
use App\Models\Role;
use App\Rules\StrongPassword;
use App\Support\Totp;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Doors tried from outside: hosts, proxies, time, and how often. */
final class DoorsTest extends TestCase
{
    /** Tries are counted by the minute: on a slow machine one must not pass meanwhile. */
    protected function setUp(): void
    {
        parent::setUp();
        $this->freezeTime();
    }

    public function test_a_link_in_a_mail_comes_from_the_settings_whatever_the_request_says_its_host_is(): void
    {
        config(['app.url' => 'https://rooms.example', 'somatrace.hosts' => 'other.example']);
        $user = $this->therapist(role: Role::Owner);
        $client = $this->client($user);
        $this->post('http://other.example/forgotten', ['email' => $user->email])->assertSessionHasNoErrors();
        $this->actingAs($user)
            ->post(
                'http://other.example/people',
                ['name' => 'Pim Sallow', 'email' => 'pim@quay.example', 'role' => 'therapist', 'licensed' => true],
            )
            ->assertSessionHasNoErrors();
        $this->post("http://other.example/clients/{$client->public_id}/check-ins");

        self::assertSame(2, OutboxMail::query()->count());
        foreach ([...OutboxMail::query()->pluck('text')->all(), (string) session('check_in')['link']] as $text) {
            self::assertStringContainsString('https://rooms.example/', $text);
            self::assertStringNotContainsString('other.example', $text);
        }
    }

    public function test_a_host_that_is_not_ours_is_not_answered(): void
    {
        $this->get('http://127.0.0.1/sign-in')->assertOk();
        foreach (['http://evil.example/sign-in', 'http://127.0.0.1.evil.example/sign-in'] as $address) {
            self::assertContains($this->get($address)->getStatusCode(), [400, 404], $address);
        }
        config(['somatrace.hosts' => 'rooms.example, tablet.example']);
        $this->get('http://tablet.example/sign-in')->assertOk();
    }

    public function test_the_word_of_a_proxy_is_taken_only_from_one_that_is_named(): void
    {
        $user = $this->therapist();
        $ask = fn (string $from, string $for) => $this->withServerVariables(['REMOTE_ADDR' => $from])->post(
            '/sign-in', ['email' => $user->email, 'password' => 'wrong'], ['X-Forwarded-For' => $for],
        );
        $ask('10.0.0.1', '203.0.113.9');
        config(['somatrace.proxies' => '10.0.0.1']);
        $ask('10.0.0.1', '203.0.113.9');
        $ask('10.0.0.2', '203.0.113.9');

        self::assertSame(
            ['10.0.0.1', '203.0.113.9', '10.0.0.2'], DB::table('audit_lines')->where('refused', 1)->orderBy('id')->pluck('ip')->all(),
        );
    }

    public function test_an_address_nobody_has_is_looked_at_as_long_as_one_somebody_has(): void
    {
        $user = $this->therapist();
        $closed = $this->therapist();
        $closed->update(['deactivated_at' => now()]);
        $this->post('/sign-in', ['email' => 'first@quay.example', 'password' => 'to make the hash nobody has']);
        $hasher = new class($this->app['hash']->driver()) implements Hasher
        {
            public int $checks = 0;

            public int $made = 0;

            public function __construct(private Hasher $real)
            {
            }

            public function info($hashedValue): array
            {
                return $this->real->info($hashedValue);
            }

            public function make(#[\SensitiveParameter] $value, array $options = []): string
            {
                $this->made++;

                return $this->real->make($value, $options);
            }

            public function check(#[\SensitiveParameter] $value, $hashedValue, array $options = []): bool
            {
                $this->checks += $this->real->info($hashedValue)['algoName'] === 'bcrypt' ? 1 : 0; // what is no hash takes no time

                return $this->real->check($value, $hashedValue, $options);
            }

            public function needsRehash($hashedValue, array $options = []): bool
            {
                return false;
            }
        };
        \Illuminate\Support\Facades\Hash::swap($hasher);
        foreach ([$user->email, 'nobody@quay.example', $closed->email] as $email) {
            $hasher->checks = 0;
            $this->post('/sign-in', ['email' => $email, 'password' => 'wrong'])->assertSessionHasErrors([
                'email' => 'This address and password do not belong together.',
            ]);
            self::assertSame(1, $hasher->checks, $email);
        }
        Queue::fake();
        $queries = 0;
        DB::listen(static function () use (&$queries): void {
            $queries++;
        });
        foreach ([$user->email, 'nobody@quay.example'] as $email) {
            $hasher->made = 0;
            $queries = 0;
            $this->post('/forgotten', ['email' => $email])->assertSessionHasNoErrors();
            self::assertSame(0, $hasher->made, 'whether it is known is found out by the queue');
            $asked[$email] = $queries;
        }
        self::assertSame($asked[$user->email], $asked['nobody@quay.example'], 'what the database is asked tells nothing');
        Queue::assertPushed(SendLink::class, 2);
    }

    /** @param  callable(self, string): array{string, string, array<string, string>}  $try */
    #[DataProvider('checks')]
    public function test_every_check_of_a_password_or_a_code_is_counted_for_the_account_and_for_the_address(
        string $method,
        string $path,
        string $field,
    ): void {
        $user = $this->therapist();
        $user->forceFill(['second_factor' => Totp::secret(), 'recovery_codes' => []])->save();
        $wrong = array_fill_keys(['current', 'password', 'password_confirmation', 'code'], '000000');
        $signedIn = ! in_array($path, ['/sign-in', '/choose-password'], true);
        if ($signedIn) {
            $this->actingAs($user);
        }
        $try = fn (string $from, array $more = []): int => $this
            ->withServerVariables(['REMOTE_ADDR' => $from])
            ->json(
                $method, $path,
                [
                    ...$wrong, 'email' => $user->email, 'token' => 'x', 'password' => 'willow lantern seven',
                    'password_confirmation' => 'willow lantern seven', ...($path === '/unlock' ? ['password' => 'wrong'] : []), ...$more,
                ],
            )
            ->getStatusCode();
        foreach (range(1, 5) as $n) {
            self::assertSame(422, $try('10.0.0.1'), "try $n");
        }
        self::assertSame(429, $try('10.0.0.1'), 'too often from here');
        $statuses = array_map(static fn (int $n): int => $try("10.0.1.$n"), range(1, 20));
        self::assertContains(429, $statuses, 'too often for this account, wherever from');
        self::assertNotSame(0, DB::table('audit_lines')->where('refused', 1)->count() + ($path === '/choose-password' ? 1 : 0));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function checks(): iterable
    {
        yield 'signing in' => ['POST', '/sign-in', 'email'];
        yield 'unlocking' => ['POST', '/unlock', 'password'];
        yield 'changing the password' => ['PUT', '/account/password', 'current'];
        yield 'signing out elsewhere' => ['POST', '/account/everywhere', 'current'];
        yield 'setting a second factor up' => ['POST', '/account/second-factor/begin', 'current'];
        yield 'taking it away' => ['DELETE', '/account/second-factor', 'current'];
        yield 'choosing a password by link' => ['POST', '/choose-password', 'password'];
    }

    #[DataProvider('passwords')]
    public function test_a_password_that_is_guessed_first_is_refused(string $password, bool $good): void
    {
        $data = ['name' => 'Wilma Underhill', 'email' => 'wilma.underhill@quay.example', 'password' => $password];

        self::assertSame($good, Validator::make($data, ['password' => [new StrongPassword]])->passes(), $password);
    }

    /** @return iterable<int, array{string, bool}> */
    public static function passwords(): iterable
    {
        foreach (
            [
                'passwordpassword', 'Password123456!', 'qwertyqwerty12', 'aaaaaaaaaaaaaaaaaaaa', '123456789012345', 'wilmaunderhill1985',
                'letmeinletmein!', 'massage therapist', 'abcdefghijklmnop', 'ababababababab',
            ] as $poor
        ) {
            yield [$poor, false];
        }
        foreach (
            [
                'willow lantern seven', 'correct horse battery staple', 'v7#kQ!t2Lm9$xW', 'nine grey boats at anchor',
                'Regen auf dem Blechdach um vier',
            ] as $good
        ) {
            yield [$good, true];
        }
    }
}
