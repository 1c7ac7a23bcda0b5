<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Database\PatientConnection;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\Config;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\Group;
use Symfony\Component\Process\Process;
use Tests\KeepsAFile;
use Tests\TestCase;

/** Somebody else holds the database. Other processes are real ones: within one process nobody waits for anybody. */
#[Group('slow'), Group('whole')]
final class WritingAtOnceTest extends TestCase
{
    use KeepsAFile;

    private const LONGER_THAN_A_TEST = 3_600_000;

    public function test_a_transaction_that_reads_first_waits_for_another_writer_and_loses_nothing(): void
    {
        $counters = array_map(
            fn (): Process => $this->other(
                'for ($n = 0; $n < 40; $n++) { $db->transaction(function () use ($db) { $was = (int) $db->table("counter")->value("n"); usleep(2000); $db->table("counter")->update(["n" => $was + 1]); }); }',
            ),
            range(1, 4),
        );
        DB::statement('create table counter (n integer not null)');
        DB::table('counter')->insert(['n' => 0]);
        foreach ($counters as $one) {
            $one->start();
        }
        foreach ($counters as $one) {
            self::assertSame(0, $one->wait(), $one->getErrorOutput());
        }

        self::assertSame(160, (int) DB::table('counter')->value('n'));
    }

    public function test_a_foreign_lock_is_waited_for_by_transactions_and_single_statements(): void
    {
        DB::statement('create table counter (n integer not null)');
        $this->waitAtMost(2000); // three tries of it: one is too short, whatever else the machine does
        $holder = $this->holding(2300);

        DB::table('counter')->insert(['n' => 1]);
        self::assertFalse($holder->isRunning() && DB::table('counter')->count() === 0);
        $holder->wait();
        $holder = $this->holding(2300);
        DB::transaction(static fn () => DB::table('counter')->insert(['n' => 2]));
        $holder->wait();

        self::assertSame([1, 2], DB::table('counter')->orderBy('n')->pluck('n')->all());
    }

    public function test_waiting_has_an_end(): void
    {
        DB::statement('create table counter (n integer not null)');
        $this->waitAtMost(50);
        $holder = $this->holding();
        foreach (
            [
                static fn () => DB::table('counter')->insert(['n' => 1]),
                static fn () => DB::transaction(static fn () => DB::table('counter')->insert(['n' => 1])),
            ] as $write
        ) {
            try {
                $write();
                self::fail('somebody else held the lock');
            } catch (\PDOException $fault) {
                self::assertTrue(PatientConnection::isBusy($fault));
            }
        }
        $holder->stop(0, SIGKILL);

        self::assertSame(0, DB::table('counter')->count());
    }

    public function test_what_is_only_good_to_have_is_left_when_the_database_is_not_free(): void
    {
        DB::statement('create table counter (n integer not null)');
        $connection = DB::connection();
        self::assertInstanceOf(PatientConnection::class, $connection);
        $holder = $this->holding();
        $write = static fn () => DB::table('counter')->insert(['n' => 1]);

        self::assertFalse($connection->ifFree(20, $write));
        self::assertTrue($holder->isRunning(), 'it was not waited for');
        $holder->stop(0, SIGKILL);
        self::assertTrue($connection->ifFree(20, $write));
        self::assertSame(10_000, array_values((array) DB::selectOne('pragma busy_timeout'))[0], 'and patient again afterwards');
    }

    public function test_a_page_is_read_while_somebody_writes_and_a_save_that_waited_in_vain_says_that_nothing_was_changed(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->get("/visits/{$visit->public_id}/ask")->assertOk();
        $this->waitAtMost(50);
        $this->actingAs($visit->user()->firstOrFail());
        $holder = $this->holding();
        foreach (['ask', 'feel', 'plan', 'after'] as $step) {
            $this->get("/visits/{$visit->public_id}/$step")->assertOk();
        }
        $this->get("/clients/{$visit->client()->firstOrFail()->public_id}")->assertOk();
        $this->save($visit, 'function', ['task' => 'turning', 'score' => 4])
            ->assertStatus(503)
            ->assertHeader('Retry-After', '1')
            ->assertJsonPath('message', 'The server is busy. Nothing was changed; it is tried again.');
        $holder->stop(0, SIGKILL);

        self::assertSame(0, $visit->entries()->where('kind', 'function')->count());
        $this->save($visit, 'function', ['task' => 'turning', 'score' => 4])->assertOk();
    }

    public function test_another_fault_is_not_taken_for_a_busy_database(): void
    {
        $this->expectException(QueryException::class);
        try {
            DB::table('clinics')->insert(['name' => null, 'timezone' => 'database is locked']);
        } catch (QueryException $fault) {
            self::assertFalse(PatientConnection::isBusy($fault));
            throw $fault;
        }
    }

    private function waitAtMost(int $milliseconds): void
    {
        Config::set('database.connections.sqlite.busy_timeout', $milliseconds);
        DB::purge();
    }

    /** Somebody who takes the write lock and keeps it so long, or until they are stopped; back when they have it. */
    private function holding(?int $milliseconds = null): Process
    {
        $process = $this->other(
            '$db->beginTransaction(); echo "held"; flush(); usleep('.(1000 * ($milliseconds ?? self::LONGER_THAN_A_TEST)).'); '
                .'$db->rollBack();',
        );
        $process->setTimeout(null); // a test on a machine that does much else may take longer than any number written here
        $process->start();
        $process->waitUntil(static fn (string $type, string $words): bool => str_contains($words, 'held'));

        return $process;
    }

    private function other(string $code): Process
    {
        $boot = 'require '.var_export(base_path('vendor/autoload.php'), true).'; $app = require '.var_export(
            base_path('bootstrap/app.php'), true,
        ).'; $app->make(Illuminate\Contracts\Console\Kernel::class)->bootstrap(); $db = Illuminate\Support\Facades\DB::connection(); ';

        return new Process(
            ['php', '-r', $boot.$code], base_path(), ['DB_DATABASE' => $this->database, 'APP_ENV' => 'testing', 'CACHE_STORE' => 'array'],
            timeout: 60,
        );
    }
}
