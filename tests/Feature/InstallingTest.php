<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Clinic;
use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

final class InstallingTest extends TestCase
{
    public function test_what_is_installed_is_what_is_pinned(): void
    {
        $installed = json_decode((string) file_get_contents(base_path('vendor/composer/installed.json')), true)['packages'];
        $versions = array_map(static fn (array $one): string => "{$one['name']} ".ltrim((string) $one['version'], 'v'), $installed);
        sort($versions);

        self::assertSame(
            file(base_path('composer.pins'), FILE_IGNORE_NEW_LINES), $versions,
            'bin/pins renew writes down what composer.json and the registry say now',
        );
        self::assertStringNotContainsString('://', (string) file_get_contents(base_path('composer.pins')));
    }

    public function test_a_clinic_is_made_with_its_first_owner_who_chooses_a_password_once(): void
    {
        self::assertSame(
            0,
            Artisan::call(
                'somatrace:clinic',
                [
                    'verb' => 'create', '--name' => 'Quay Street Rooms', '--owner' => 'Ida Vane', '--email' => 'ida@quay.example',
                    '--timezone' => 'Europe/Lisbon', '--no-interaction' => true,
                ],
            ),
        );
        preg_match('#(https?://\S+)#', Artisan::output(), $link);
        $owner = User::query()->where('email', 'ida@quay.example')->firstOrFail();
        self::assertSame(
            [Role::Owner, true, 'Europe/Lisbon', false], [$owner->role, $owner->licensed, $owner->clinic->timezone, $owner->clinic->demo],
        );
        preg_match('#/choose-password/(\w+)#', $link[1], $token);
        $told = [
            'token' => $token[1], 'email' => 'ida@quay.example', 'invited' => true, 'password' => 'willow lantern seven',
            'password_confirmation' => 'willow lantern seven',
        ];

        $this->get((string) parse_url($link[1], PHP_URL_PATH))->assertOk()->assertInertia(static fn ($page) => $page->where('demo', false));
        $this->post('/choose-password', $told)->assertSessionHasNoErrors();
        $this->post('/sign-in', ['email' => 'ida@quay.example', 'password' => 'willow lantern seven'])->assertRedirect('/');
        $this->post('/sign-out');
        $this->post('/choose-password', $told)->assertSessionHasErrors('password');
    }

    public function test_bad_words_make_no_clinic(): void
    {
        $this->therapist();
        $count = Clinic::query()->count();
        foreach (
            [
                ['--name' => 'Q'], ['--email' => 'nobody'], ['--timezone' => 'Moon/Crater'], ['--email' => User::query()->value('email')],
            ] as $wrong
        ) {
            self::assertSame(
                1,
                Artisan::call(
                    'somatrace:clinic',
                    [
                        'verb' => 'create', '--name' => 'Quay Street Rooms', '--owner' => 'Ida Vane', '--email' => 'ida@quay.example',
                        '--no-interaction' => true, ...$wrong,
                    ],
                ),
            );
        }
        self::assertSame(2, Artisan::call('somatrace:clinic', ['verb' => 'destroy']));
        self::assertSame($count, Clinic::query()->count());
    }

    public function test_a_real_clinic_is_not_made_beside_the_demo_and_the_demo_not_told_beside_a_real_clinic(): void
    {
        $user = $this->therapist();
        try {
            Artisan::call('db:seed', ['--force' => true]);
            self::fail('the demo was told beside a clinic');
        } catch (\DomainException $refused) {
            self::assertStringContainsString('holds a clinic', $refused->getMessage());
        }
        self::assertSame(0, User::query()->where('email', 'nell@lantern-yard.example')->count());

        $user->clinic->update(['demo' => true]);
        self::assertSame(
            1,
            Artisan::call(
                'somatrace:clinic',
                [
                    'verb' => 'create', '--name' => 'Quay Street Rooms', '--owner' => 'Ida Vane', '--email' => 'ida@quay.example',
                    '--no-interaction' => true,
                ],
            ),
        );
        $this->get('/sign-in')->assertInertia(static fn ($page) => $page->where('demo', true));
        $this->actingAs($user)->get('/')->assertInertia(static fn ($page) => $page->where('demo', true));
    }

    public function test_going_back_a_step_says_how_and_does_nothing(): void
    {
        $ran = DB::table('migrations')->count();
        foreach (['migrate:rollback', 'migrate:reset', 'migrate:refresh'] as $command) {
            self::assertSame(1, Artisan::call($command, ['--force' => true]));
            self::assertStringContainsString('restore the backup made before the update', Artisan::output());
        }
        self::assertSame($ran, DB::table('migrations')->count());
    }

    public function test_health_is_told_without_a_session(): void
    {
        $this->get('/up')
            ->assertOk()
            ->assertExactJson(['up' => true])
            ->assertHeader('X-Content-Type-Options', 'nosniff')
            ->assertCookieMissing('somatrace_session');
        DB::statement('drop table migrations');
        $this->get('/up')->assertStatus(503)->assertExactJson(['up' => false]);
    }
}
