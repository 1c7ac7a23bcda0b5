<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\Backup;
use App\Keeping\BackupRefused;
use App\Keeping\BackupRetention;
use App\Keeping\ContentHash;
use App\Keeping\Doctor;
use App\Keeping\Finding;
use App\Keeping\Strength;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Encryption\Encrypter;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use Tests\KeepsAFile;
use Tests\TestCase;

/** Backup, destroy, restore; and what the doctor sees. On a database in a file, as a clinic has it. */
#[Group('slow')]
final class KeepingTest extends TestCase
{
    use KeepsAFile;

    private static ?string $atWork = null;

    private const PASSPHRASE = 'the heron waits at low water';

    public function test_what_was_destroyed_comes_back_as_it_was(): void
    {
        $this->clinicAtWork();
        $hash = ContentHash::of();
        $backup = $this->made();
        self::assertSame($hash, (new Backup)->check($backup, self::PASSPHRASE)['content_hash']);
        self::assertStringNotContainsString('Wilma', (string) file_get_contents($backup));
        self::assertSame('0600', substr(sprintf('%o', fileperms($backup)), -4));

        $this->destroy();
        // another machine has another key
        Config::set('app.key', 'base64:'.base64_encode(Encrypter::generateKey('AES-256-CBC')));
        $this->app->forgetInstance('encrypter');
        Crypt::clearResolvedInstances();
        (new Backup)->restore($backup, self::PASSPHRASE);

        self::assertSame($hash, ContentHash::of());
        self::assertSame('JBSWY3DPEHPK3PXP', User::query()->whereNotNull('second_factor')->firstOrFail()->second_factor);
        self::assertSame(
            [],
            array_filter(
                (new Doctor(app('migrator')))->look(CarbonImmutable::now()),
                static fn (Finding $one): bool => $one->state === 'ill' && $one->about !== 'backup',
            ),
        );
    }

    public function test_a_clinic_is_never_overwritten(): void
    {
        $this->clinicAtWork();
        $backup = $this->made();
        $hash = ContentHash::of();

        $this->refuses(fn () => (new Backup)->restore($backup, self::PASSPHRASE), 'holds a clinic already');
        self::assertSame($hash, ContentHash::of());
    }

    public function test_a_wrong_passphrase_is_refused_plainly(): void
    {
        $this->clinicAtWork();
        $backup = $this->made();
        $this->destroy();

        $this->refuses(fn () => (new Backup)->restore($backup, 'the heron waits at high water'), 'passphrase is not the one');
        self::assertFileDoesNotExist($this->database);
        self::assertSame([], glob("{$this->folder}/*restoring*"));
    }

    /** @param  callable(string): string  $spoil */
    #[DataProvider('damages')]
    public function test_damage_is_noticed_wherever_it_is(callable $spoil, string $words): void
    {
        $this->clinicAtWork();
        $backup = $this->made();
        file_put_contents($backup, $spoil((string) file_get_contents($backup)));
        $this->destroy();

        $this->refuses(fn () => (new Backup)->restore($backup, self::PASSPHRASE), $words);
        self::assertFileDoesNotExist($this->database);
    }

    /** @return iterable<string, array{callable(string): string, string}> */
    public static function damages(): iterable
    {
        $flip = static function (int|float $at): callable {
            return static function (string $bytes) use ($at): string {
                $index = is_float($at) ? (int) (strlen($bytes) * $at) : $at;
                $bytes[$index] = chr(ord($bytes[$index]) ^ 1);

                return $bytes;
            };
        };
        yield 'a flipped bit in the name' => [$flip(3), 'no backup of Somatrace'];
        yield 'a flipped bit in the head' => [$flip(40), 'damaged'];
        yield 'a flipped bit a third in' => [$flip(0.33), 'damaged at piece'];
        yield 'a flipped bit in the middle' => [$flip(0.5), 'damaged at piece'];
        yield 'a flipped bit near the end' => [$flip(0.999), 'damaged at piece'];
        yield 'the end cut off' => [static fn (string $bytes): string => substr($bytes, 0, -70000), 'damaged at piece'];
        yield 'something added' => [static fn (string $bytes): string => $bytes.'x', 'behind the end'];
        yield 'nothing of it' => [static fn (string $bytes): string => '', 'no backup of Somatrace'];
    }

    public function test_a_short_passphrase_makes_none(): void
    {
        $this->clinicAtWork();

        $this->refuses(
            fn () => (new Backup(Strength::Light))->make("{$this->folder}/one.backup", 'short', CarbonImmutable::now()), 'at least twelve',
        );
        self::assertFileDoesNotExist("{$this->folder}/one.backup");
    }

    public function test_the_commands_make_check_and_restore(): void
    {
        $this->clinicAtWork();
        Config::set(
            'somatrace.backup',
            ['folder' => "{$this->folder}/shelf", 'passphrase' => self::PASSPHRASE, 'passphrase_file' => null, 'strength' => 'light'],
        );

        self::assertSame(0, Artisan::call('somatrace:backup'));
        self::assertSame(0, Artisan::call('somatrace:backup', ['--check' => true]));
        $made = array_key_first((new BackupRetention("{$this->folder}/shelf"))->all());
        self::assertSame(1, Artisan::call('somatrace:restore', ['file' => $made]));
        self::assertStringContainsString('holds a clinic already', Artisan::output());
        $this->destroy();
        self::assertSame(0, Artisan::call('somatrace:restore', ['file' => $made]));
        self::assertSame(['restored'], DB::table('audit_lines')->where('kind', 'keeping')->pluck('deed')->all());
        self::assertSame(0, Artisan::call('somatrace:doctor'), Artisan::output());
    }

    public function test_the_shelf_keeps_days_weeks_and_months(): void
    {
        $now = CarbonImmutable::parse('2026-11-26 03:00', 'UTC');
        $made = [];
        for ($day = 0; $day < 800; $day++) {
            $made["b$day"] = $now->subDays($day);
        }

        $kept = BackupRetention::kept($made, $now);

        self::assertSame(
            range(0, 7),
            array_values(array_filter(
                array_map(static fn (string $name): int => (int) substr($name, 1), array_reverse(array_keys($kept))),
                static fn (int $day): bool => $day <= 7,
            )),
        );
        self::assertLessThanOrEqual(8 + 5 + 13, count($kept));
        self::assertSame(365, max(array_map(static fn (string $name): int => (int) substr($name, 1), array_keys($kept))));
        self::assertSame(
            ['old'], array_keys(BackupRetention::kept(['old' => $now->subYears(9)], $now)), 'the only one is never taken away',
        );
    }

    #[DataProvider('ills')]
    public function test_the_doctor_sees_what_was_done_past_the_program(string $statement, string $about): void
    {
        $this->clinicAtWork();
        $ill = static fn (): array => array_column(
            array_filter(
                (new Doctor(app('migrator')))->look(CarbonImmutable::now()),
                static fn (Finding $one): bool => $one->state === 'ill' && $one->about !== 'backup',
            ),
            'about',
        );
        self::assertSame([], array_values($ill()));

        DB::statement('pragma foreign_keys = off');
        foreach (explode(';', $statement) as $one) {
            DB::statement($one);
        }

        self::assertContains($about, $ill());
    }

    /** @return iterable<string, array{string, string}> */
    public static function ills(): iterable
    {
        yield 'a note changed' => ['drop trigger notes_stay_as_signed; update notes set happened = \'nothing\'', 'signed notes'];
        yield 'a guard taken away' => ['drop trigger audit_lines_stay', 'guards'];
        yield 'a client taken out' => ['delete from clients', 'orphans'];
        yield 'an entry changed' => ['update entries set payload = \'{}\' where kind = \'complaint\'', 'records'];
        yield 'a step not taken' => ['delete from migrations where migration like \'%settings\'', 'schema'];
    }

    /** @param  array<string, mixed>  $config */
    #[DataProvider('setups')]
    public function test_a_set_up_is_judged_by_what_it_is_used_for(bool $demo, array $config, string $state, string $words): void
    {
        $this->clinicAtWork();
        DB::table('clinics')->update(['demo' => $demo ? 1 : 0]);
        config([
            'app.url' => 'https://rooms.example', 'app.debug' => false, 'mail.default' => 'smtp', 'queue.default' => 'database',
            'somatrace.outbox' => false, 'somatrace.backup.passphrase' => self::PASSPHRASE, ...$config,
        ]);
        // whatever it is called
        foreach (['production', 'testing', 'anything'] as $name) {
            $this->app->instance('env', $name);
            $said = array_values(array_filter(
                (new Doctor(app('migrator')))->look(CarbonImmutable::now()), static fn (Finding $one): bool => $one->about === 'setup',
            ))[0];
            $this->app->instance('env', 'testing');

            self::assertSame($state, $said->state, "$name: {$said->words}");
            self::assertStringContainsString($words, "{$said->words} {$said->do}");
        }
    }

    /**
     * @return iterable<string, array{bool, array<string, mixed>, string, string}> whether it is a demo, what is set otherwise, how it
     * stands, part of the words
     */
    public static function setups(): iterable
    {
        yield 'a clinic as it should be' => [false, [], 'well', 'As it should be.'];
        yield 'a demo on its own machine may do all of it' => [
            true,
            [
                'app.url' => 'http://127.0.0.1:8080', 'app.debug' => true, 'mail.default' => 'outbox', 'queue.default' => 'sync',
                'somatrace.outbox' => true, 'somatrace.backup.passphrase' => null,
            ],
            'well', 'A demo on its own machine.',
        ];
        yield 'a demo that others reach' => [true, ['app.debug' => true], 'watch', 'APP_DEBUG=false'];
        yield 'a clinic on its own machine that shows errors' => [
            false, ['app.url' => 'http://127.0.0.1:8080', 'app.debug' => true], 'watch', 'APP_DEBUG=false',
        ];
        yield 'a clinic whose mail goes nowhere' => [false, ['mail.default' => 'outbox'], 'watch', 'MAIL_MAILER=smtp'];
        yield 'a clinic with the outbox of the demo' => [false, ['somatrace.outbox' => true], 'watch', 'SOMATRACE_OUTBOX=false'];
        yield 'a clinic over plain HTTP' => [false, ['app.url' => 'http://rooms.example'], 'watch', 'plain HTTP'];
        yield 'a clinic where somebody waits for mails' => [false, ['queue.default' => 'sync'], 'watch', 'QUEUE_CONNECTION=database'];
        yield 'a clinic without a passphrase' => [
            false, ['somatrace.backup.passphrase' => null], 'watch', 'SOMATRACE_BACKUP_PASSPHRASE_FILE',
        ];
    }

    public function test_mail_that_waits_and_files_others_may_read_are_said(): void
    {
        $this->clinicAtWork();
        $said = fn (string $about): Finding => array_values(array_filter(
            (new Doctor(app('migrator')))->look(CarbonImmutable::now()), static fn (Finding $one): bool => $one->about === $about,
        ))[0];
        self::assertSame(['well', 'well'], [$said('mail')->state, $said('permissions')->state]);
        DB::table('jobs')->insert([
            'queue' => 'default', 'payload' => '{}', 'attempts' => 0, 'available_at' => time(), 'created_at' => time() - 660,
        ]);
        chmod($this->database, 0644);

        self::assertSame(['ill', 'A mail has waited for 11 minutes.'], [$said('mail')->state, $said('mail')->words]);
        self::assertSame('ill', $said('permissions')->state);
        self::assertStringContainsString('database.sqlite', $said('permissions')->do);
    }

    public function test_an_old_backup_and_none_are_said(): void
    {
        $this->clinicAtWork();
        Config::set('somatrace.backup.folder', "{$this->folder}/shelf");
        $said = static fn (CarbonImmutable $now): Finding => array_values(array_filter(
            (new Doctor(app('migrator')))->look($now), static fn (Finding $one): bool => $one->about === 'backup',
        ))[0];
        $now = CarbonImmutable::now();
        self::assertSame(['ill', 'There is none.'], [$said($now)->state, $said($now)->words]);
        touch((new BackupRetention("{$this->folder}/shelf"))->place($now));

        self::assertSame(['well', 'ill'], [$said($now->addHours(20))->state, $said($now->addHours(30))->state]);
    }

    /** A clinic with a signed visit: made once, and laid there as it was for the tests that follow. */
    private function clinicAtWork(): Visit
    {
        if (self::$atWork !== null) {
            $this->lay(self::$atWork);
            $this->actingAs(User::query()->firstOrFail());

            return Visit::query()->firstOrFail();
        }
        $user = $this->therapist();
        $user->forceFill(['second_factor' => 'JBSWY3DPEHPK3PXP'])->save();
        $visit = $this->visit($user);
        $this->denyEverything($visit);
        $this->recordNeck($visit);
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Neck worked.'])->assertRedirect();
        self::$atWork = $this->image();

        return $visit;
    }

    private function made(): string
    {
        $path = "{$this->folder}/one.backup";
        (new Backup(Strength::Light))->make($path, self::PASSPHRASE, CarbonImmutable::now());

        return $path;
    }

    private function refuses(callable $act, string $words): void
    {
        try {
            $act();
        } catch (BackupRefused $refused) {
            self::assertStringContainsString($words, $refused->getMessage());

            return;
        }
        self::fail("nothing was refused, where \"$words\" was expected");
    }
}
