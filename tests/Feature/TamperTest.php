<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Keeping\AuditSpool;
use App\Keeping\Backup;
use App\Keeping\Doctor;
use App\Keeping\Finding;
use App\Keeping\NoteHash;
use App\Keeping\Seal;
use App\Keeping\Strength;
use App\Models\Role;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Process\Process;
use Tests\KeepsAFile;
use Tests\TestCase;

/** Somebody has the file of the database, and not the key of the seal. They take the guards away, write, and put the guards back. */
#[Group('slow')]
final class TamperTest extends TestCase
{
    use KeepsAFile;

    /** @param  callable(): void  $act */
    #[DataProvider('deeds')]
    public function test_the_doctor_says_what_was_done_behind_its_back_and_where(\Closure $act, string $about, string $words): void
    {
        $this->atWork();
        self::assertSame(['well', 'well'], [$this->said('audit')->state, $this->said('signed notes')->state]);
        $guards = DB::table('sqlite_master')->where('type', 'trigger')->pluck('sql', 'name')->all();
        foreach (array_keys($guards) as $name) {
            DB::statement("drop trigger \"$name\"");
        }
        $act();
        foreach ($guards as $sql) {
            DB::statement((string) $sql);
        }

        self::assertSame('well', $this->said('guards')->state, 'nothing is to be seen from outside');
        self::assertSame('ill', $this->said($about)->state);
        self::assertMatchesRegularExpression($words, $this->said($about)->words);
    }

    /** @return iterable<string, array{\Closure, string, string}> what is done, what the doctor looked at, what it says */
    public static function deeds(): iterable
    {
        $at = static fn (int $id) => DB::table('audit_lines')->where('id', $id);
        yield 'a line changed' => [static fn () => $at(4)->update(['deed' => 'nothing']), 'audit', '/^Line 4, of /'];
        yield 'who it was' => [static fn () => $at(4)->update(['user_id' => null]), 'audit', '/^Line 4, of /'];
        yield 'that it was refused' => [static fn () => $at(3)->update(['refused' => 1]), 'audit', '/^Line 3, of /'];
        yield 'a line taken away' => [static fn () => $at(5)->delete(), 'audit', '/^Line 5 was taken away/'];
        yield 'the first ones taken away' => [
            static fn () => DB::table('audit_lines')->where('id', '<=', 3)->delete(), 'audit', '/^Lines 1 to 3 were taken away/',
        ];
        yield 'the last ones taken away' => [
            static fn () => DB::table('audit_lines')->where('id', '>', 5)->delete(), 'audit', '/^Lines 6 to \d+ were taken off the end/',
        ];
        yield 'all of them taken away' => [
            static fn () => DB::table('audit_lines')->delete(), 'audit', '/^Lines 1 to \d+ were taken off the end/',
        ];
        yield 'taken away and numbered anew' => [static function () use ($at): void {
            $at(5)->delete();
            foreach (DB::table('audit_lines')->where('id', '>', 5)->orderBy('id')->pluck('id') as $id) {
                $at((int) $id)->update(['id' => $id - 1]);
            }
        }, 'audit', '/^Line 5, of /'];
        yield 'two lines in each other\'s place' => [static function () use ($at): void {
            $at(4)->update(['id' => 9000]);
            $at(5)->update(['id' => 4]);
            $at(9000)->update(['id' => 5]);
        }, 'audit', '/^Line 4, of /'];
        yield 'a line put there by hand' => [static function (): void {
            $last = (array) DB::table('audit_lines')->orderByDesc('id')->first();
            DB::table('audit_lines')->insert([
                ...$last, 'id' => $last['id'] + 1, 'deed' => 'client erased', 'chain' => hash('sha256', (string) $last['chain']),
            ]);
        }, 'audit', '/^Line \d+, of /'];
        yield 'a note replaced, with a hash that fits it' => [static function (): void {
            $note = (array) DB::table('notes')->first();
            $note['happened'] = 'Nothing happened.';
            DB::table('notes')->where('id', $note['id'])->update([
                'happened' => $note['happened'], 'content_hash' => NoteHash::unkeyed($note),
            ]);
        }, 'signed notes', '/note 1 of visit 1/'];
        yield 'a note taken away' => [
            static fn () => DB::table('notes')->where('revision', 1)->delete(), 'signed notes', '/a revision of visit 1 is gone/',
        ];
        yield 'another supervisor\'s name beside it' => [
            static fn () => DB::table('notes')->where('id', 2)->update([
                'countersigned_by' => 1, 'countersigned_at' => '2026-01-01 00:00:00',
            ]),
            'signed notes', '/note 2 of visit 1/',
        ];
    }

    public function test_a_line_that_cannot_be_written_now_holds_nobody_up_and_is_not_lost(): void
    {
        [$visit] = $this->atWork();
        $lines = DB::table('audit_lines')->count();
        $spool = AuditSpool::of(Seal::own(), $this->database);
        $holder = new Process(
            [
                'php', '-r',
                '$db = new PDO("sqlite:'.$this->database.'"); $db->exec("begin immediate"); echo "held"; usleep(3600 * 1000000);',
            ],
            timeout: null,
        );
        $holder->start();
        $holder->waitUntil(static fn (string $type, string $words): bool => str_contains($words, 'held'));
        $this->travel(10)->minutes();
        $this->get("/clients/{$visit->client->public_id}")->assertOk();

        self::assertTrue($holder->isRunning(), 'it was not waited for');
        self::assertSame(1, $spool->waiting());
        $holder->stop(0, SIGKILL);
        $this->get("/visits/{$visit->public_id}/note")->assertOk();
        self::assertSame([0, $lines + 2], [$spool->waiting(), DB::table('audit_lines')->count()]);
        self::assertSame(
            ['client', 'note'], DB::table('audit_lines')->orderByDesc('id')->limit(2)->pluck('deed')->reverse()->values()->all(),
        );
        self::assertSame('well', $this->said('audit')->state);
    }

    #[TestWith([false, 'well'])]
    #[TestWith([true, 'ill'])]
    public function test_an_installation_with_another_key_takes_the_seal_over_and_what_was_broken_stays_broken(
        bool $broken,
        string $state,
    ): void {
        $this->atWork();
        if ($broken) {
            DB::statement('drop trigger audit_lines_stay_as_written');
            self::assertSame(1, DB::table('audit_lines')->where('id', 4)->update(['deed' => 'nothing']));
        }
        $path = "{$this->folder}/sealed.backup";
        (new Backup(Strength::Light))->make($path, 'a passphrase of a clinic', CarbonImmutable::now());
        $this->destroy();
        Config::set('somatrace.seal.folder', "{$this->folder}/shelf");
        (new Backup(Strength::Light))->restore($path, 'a passphrase of a clinic');

        self::assertSame([$state, 'well'], [$this->said('audit')->state, $this->said('signed notes')->state]);
    }

    /** @return array{Visit} a student's note, corrected and countersigned, and a day's worth of lines */
    private function atWork(): array
    {
        $owner = $this->therapist(role: Role::Owner);
        $student = $this->therapist($owner->clinic, Role::Student);
        $student->update(['licensed' => false, 'supervisor_id' => $owner->id]);
        $visit = $this->visit($student);
        $this->recordNeck($visit);
        $this->post("/visits/{$visit->public_id}/sign", ['happened' => 'Neck worked.'])->assertRedirect();
        $this->post("/visits/{$visit->public_id}/correct", ['happened' => 'Neck, left.', 'reason' => 'Side was missing.'])
            ->assertRedirect();
        $this->actingAs($owner)->post("/visits/{$visit->public_id}/countersign")->assertRedirect();
        $this->get("/visits/{$visit->public_id}/letter");
        $this->get("/visits/{$visit->public_id}/summary");

        return [$visit];
    }

    private function said(string $about): Finding
    {
        return array_values(array_filter(
            (new Doctor(app('migrator')))->look(CarbonImmutable::now()), static fn (Finding $one): bool => $one->about === $about,
        ))[0];
    }
}
