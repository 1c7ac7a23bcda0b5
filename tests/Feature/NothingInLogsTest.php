<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\Visit;
use Illuminate\Database\QueryException;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/**
 * A mark is sent through everything that writes, while things go wrong in all sorts of ways: whatever is then told of it, the mark is in no
 * log and in no answer about a fault.
 */
final class NothingInLogsTest extends TestCase
{
    private const MARK = 'Zwiebelfisch';

    private string $log;

    protected function setUp(): void
    {
        parent::setUp();
        $this->log = sys_get_temp_dir().'/somatrace-log-'.bin2hex(random_bytes(5));
        config(['logging.channels.kept' => ['driver' => 'single', 'path' => $this->log, 'level' => 'debug'], 'logging.default' => 'kept']);
        Log::swap($this->app->make('log')->channel('kept'));
    }

    protected function tearDown(): void
    {
        @unlink($this->log);
        parent::tearDown();
    }

    #[DataProvider('faults')]
    public function test_the_mark_is_in_no_log(string $how): void
    {
        $owner = $this->therapist(role: Role::Owner);
        $visit = $this->visit($owner);
        $this->recordNeck($visit);
        $signed = $this->visit($owner, $this->client($owner, 'Orla Pike'));
        $this->post("/visits/{$signed->public_id}/sign", ['happened' => 'x'])->assertRedirect();
        $this->post("/clients/{$visit->client->public_id}/check-ins");
        $link = (string) parse_url((string) session('check_in')['link'], PHP_URL_PATH);
        $this->goWrong($how);
        $met = 0;
        foreach ($this->writes($visit, $signed, $link) as $what => [$method, $path, $body]) {
            DB::beginTransaction();
            $answer = isset($body['file'])
                ? $this->post($path, $body, ['Accept' => 'application/json'])
                : $this->json($method, $path, $body);
            while (DB::transactionLevel() > 1) {
                DB::rollBack();
            }
            if ($answer->getStatusCode() >= 500) {
                $met++;
                self::assertStringNotContainsString(self::MARK, (string) $answer->getContent(), "$what, in the answer");
            }
        }

        self::assertGreaterThan(8, $met, 'something has to go wrong for this to say anything');
        $written = (string) @file_get_contents($this->log);
        self::assertNotSame('', $written);
        self::assertStringNotContainsString(self::MARK, $written);
        self::assertStringNotContainsString(strtolower(self::MARK), strtolower($written));
    }

    /** @return iterable<string, array{string}> */
    public static function faults(): iterable
    {
        yield 'the database refuses every row' => ['trigger'];
        yield 'a statement fails with its values in the words, inside other faults' => ['nested'];
        yield 'something else fails and says what it was given' => ['words'];
        yield 'a wrong type, which PHP words itself' => ['type'];
    }

    public function test_what_is_left_tells_where_it_was(): void
    {
        report(
            new \RuntimeException(
                self::MARK, 7,
                new QueryException('sqlite', 'insert into "clients" ("name") values (?)', [self::MARK], new \PDOException(self::MARK)),
            ),
        );
        $written = (string) file_get_contents($this->log);

        foreach (['RuntimeException', 'insert into \"clients\" (\"name\") values (?)', 'NothingInLogsTest.php:'] as $there) {
            self::assertStringContainsString($there, $written);
        }
        self::assertStringNotContainsString(self::MARK, $written);
    }

    private function goWrong(string $how): void
    {
        if ($how === 'trigger') {
            foreach (
                DB::table('sqlite_master')
                    ->where('type', 'table')
                    ->whereNotIn('name', ['migrations', 'sqlite_sequence', 'sqlite_stat1'])
                    ->where('name', 'not like', 'sqlite_%')
                    ->pluck('name') as $table
            ) {
                DB::statement(
                    "create trigger \"refuse_insert_$table\" before insert on \"$table\" begin select raise(abort, 'refused'); end",
                );
                DB::statement(
                    "create trigger \"refuse_update_$table\" before update on \"$table\" begin select raise(abort, 'refused'); end",
                );
            }

            return;
        }
        DB::connection()->beforeExecuting(static function (string $query, array $bindings) use ($how): void {
            if (preg_match('/^(insert|update|delete)/i', $query) !== 1 || str_contains($query, 'audit_lines')) {
                return;
            }
            $told = implode(', ', array_map(static fn (mixed $one): string => is_scalar($one) ? (string) $one : '', $bindings));
            throw match ($how) {
                'nested' => new \LogicException(
                    "in vain: $told", 0, new QueryException('sqlite', $query, $bindings, new \PDOException("refused: $told")),
                ),
                'words' => new class("was given $told") extends \DomainException
                {
                },
                default => new \TypeError("must be of type int, string \"$told\" given"),
            };
        });
    }

    /** @return iterable<string, array{string, string, array<string, mixed>}> */
    private function writes(Visit $visit, Visit $signed, string $link): iterable
    {
        $mark = self::MARK;
        $client = $visit->client->public_id;
        $key = static fn (): array => ['key' => (string) Str::ulid()];
        $details = [
            'name' => $mark, 'pronoun' => 'she', 'born_on' => '1985-04-01', 'skin' => 'usual', 'occupation' => $mark, 'address' => $mark,
            'guardian_name' => $mark, 'email' => "$mark@post.example",
            'contacts' => [['kind' => 'doctor', 'name' => $mark, 'note' => $mark]],
        ];
        yield 'an entry' => [
            'PUT', "/visits/{$visit->public_id}/entries?step=ask",
            ['kind' => 'function', 'phase' => 'before', 'identity' => null, 'payload' => ['task' => $mark, 'score' => 3], 'seen' => 0],
        ];
        yield 'consent in words' => [
            'PUT', "/visits/{$visit->public_id}/entries?step=agree",
            [
                'kind' => 'consent', 'phase' => 'before', 'identity' => null,
                'payload' => ['area' => 'mouth', 'given' => true, 'said' => $mark], 'seen' => 0,
            ],
        ];
        yield 'a letter' => [
            'PUT', "/visits/{$visit->public_id}/entries?step=after",
            ['kind' => 'text', 'phase' => 'before', 'identity' => 'letter', 'payload' => $mark, 'seen' => 0],
        ];
        yield 'several entries' => [
            'POST', "/visits/{$visit->public_id}/entries?step=ask",
            [
                'entries' => [[
                    'kind' => 'function', 'phase' => 'before', 'identity' => null, 'payload' => ['task' => "$mark two", 'score' => 3],
                    'seen' => 0,
                ]],
            ],
        ];
        yield 'a name at the table' => [
            'POST', "/visits/{$visit->public_id}/events", ['events' => [$this->happening('sign', ['sign' => 'softened'], step: 's01')]],
        ];
        yield 'signing' => [
            'POST', "/visits/{$visit->public_id}/sign", ['happened' => $mark, 'advice' => $mark, 'next_time' => $mark, ...$key()],
        ];
        yield 'correcting' => [
            'POST', "/visits/{$signed->public_id}/correct", ['happened' => $mark, 'reason' => "$mark, because", ...$key()],
        ];
        yield 'a new client' => ['POST', '/clients', [...$details, ...$key()]];
        yield 'a client changed' => ['PUT', "/clients/$client", $details];
        yield 'an appointment' => [
            'POST', "/clients/$client/appointments",
            ['day' => '2027-01-11', 'time' => '10:00', 'minutes' => 60, 'reason' => $mark, ...$key()],
        ];
        yield 'somebody invited' => [
            'POST', '/people', ['name' => $mark, 'email' => "$mark@quay.example", 'role' => 'therapist', 'licensed' => true],
        ];
        yield 'what is done here' => ['PUT', '/clinic/scope', ['off' => [['id' => 'petrissage', 'reason' => "$mark says so"]]]];
        yield 'the name of the clinic' => [
            'PUT', '/settings/clinic',
            [
                'name' => $mark, 'timezone' => 'UTC', 'visit_minutes' => 60, 'retention_years' => 10,
                'hours' => ['mon' => ['09:00', '18:00']],
            ],
        ];
        yield 'a password' => [
            'PUT', '/account/password',
            ['current' => 'a good password', 'password' => "$mark willow lantern", 'password_confirmation' => "$mark willow lantern"],
        ];
        yield 'a forgotten password' => ['POST', '/forgotten', ['email' => "$mark@quay.example"]];
        yield 'clients by table' => [
            'POST', '/clinic/bring/clients.csv/apply',
            [
                'file' => UploadedFile::fake()->createWithContent('c.csv', "name,born_on\r\n$mark,1985-04-01\r\n"),
                'digest' => str_repeat('0', 64),
            ],
        ];
        yield 'findings by table' => [
            'POST', "/clients/$client/bring/findings.jsonl/apply",
            [
                'file' => UploadedFile::fake()->createWithContent(
                    'f.jsonl',
                    (string) json_encode([
                        'date' => '2026-03-09', 'phase' => 'before', 'kind' => 'function', 'finding' => ['task' => $mark, 'score' => 3],
                    ]),
                ),
                'digest' => str_repeat('0', 64),
            ],
        ];
        yield 'a check-in' => [
            'PUT', $link, ['answers' => ['done' => [$mark], 'complaints' => [['zone' => $mark, 'side' => 'left', 'now' => 3]]]],
        ];
        yield 'looking for somebody' => ['POST', '/clients/search', ['q' => $mark]];
        yield 'two made one' => ['POST', "/clients/$client/merge", ['other' => $signed->client->public_id]];
        yield 'erasing' => ['DELETE', "/clients/$client", ['code' => $visit->client->code]];
        yield 'putting away' => ['POST', "/clients/$client/archive", []];
    }
}
