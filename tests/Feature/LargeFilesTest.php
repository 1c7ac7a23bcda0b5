<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\ClientDetails;
use App\Exchange\Progress;
use App\Models\Client;
use App\Models\Entry;
use App\Models\EntryChange;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\Group;
use Somatrace\Core\Clinic;
use Tests\Support\MadeUpRecords;
use Tests\Support\Spoil;
use Tests\TestCase;

/**
 * Files of thousands. How long they take is measured by a command (docs/large-clinic.md); here is what keeps them quick, and that they are
 * right.
 */
#[Group('slow'), Group('whole')]
final class LargeFilesTest extends TestCase
{
    public function test_a_table_of_thousands_comes_in_with_few_queries_and_says_how_far_it_is(): void
    {
        $user = $this->therapist();
        $this->actingAs($user);
        $token = (string) Str::ulid();
        $queries = 0;
        DB::listen(static function () use (&$queries): void {
            $queries++;
        });
        $answer = $this->bring('', $this->table(3000), ['progress' => $token])->assertOk();
        self::assertSame([3000, 60], [$answer->json('states.new'), count($answer->json('rows'))]);
        $this->bring('/apply', $this->table(3000), ['digest' => $answer->json('digest'), 'progress' => $token])
            ->assertOk()
            ->assertJsonPath('written', 3000);

        self::assertLessThan(150, $queries, 'not one a row');
        self::assertNotNull(Progress::of($token, $user->id));
        self::assertNull(Progress::of($token, $user->id + 1), 'nobody else’s');
        $told = $this->getJson("/bring/progress/$token")->json('progress');
        self::assertSame(['written', 3000], [$told['what'], $told['of']]);
        self::assertSame(
            [3000, 3000, 3000],
            [Client::query()->count(), Client::query()->distinct()->count('code'), DB::table('client_contacts')->count()],
        );
        $one = Client::query()->where('name', 'Éda Person4')->with('contacts')->firstOrFail();
        self::assertSame(
            ['eda person4 '.strtolower($one->code), null, false, 'Somebody 4', '1944-05-14'],
            [$one->search, $one->skin, $one->stoic, $one->contacts[0]?->name, $one->born_on->format('Y-m-d')],
        );
        $this->bring('', $this->table(3000))->assertJsonPath('count', 0)->assertJsonPath('states.same', 3000);
    }

    public function test_a_table_of_thousands_of_findings_holds_the_database_for_few_queries(): void
    {
        $user = $this->therapist();
        $this->actingAs($user);
        $client = $this->client($user);
        $muscles = array_slice(array_keys(app(Clinic::class)->atlas()->muscles), 0, 50);
        $text = "date,phase,kind,muscle,side,tenderness\r\n";
        for ($day = 1; $day <= 20; $day++) {
            foreach ($muscles as $n => $muscle) {
                $text .= sprintf(
                    "2024-03-%02d,before,palpation,%s,left,%d\r\n2024-03-%02d,before,palpation,%s,right,0\r\n", $day, $muscle,
                    ($n + $day) % 5, $day, $muscle,
                );
            }
        }
        $send = fn (string $step, string $text, array $more = []) => $this->post(
            "/clients/{$client->public_id}/bring/findings.csv$step",
            ['file' => UploadedFile::fake()->createWithContent('f.csv', $text), ...$more], ['Accept' => 'application/json'],
        )->assertOk();
        $digest = $send('', $text)->json('digest');
        $queries = 0;
        DB::listen(static function () use (&$queries): void {
            $queries++;
        });
        $send('/apply', $text, ['digest' => $digest])->assertJsonPath('written', 2000);
        self::assertLessThan(250, $queries, 'not one a row');

        self::assertSame([20, 2000, 2000], [$client->visits()->count(), Entry::query()->count(), EntryChange::query()->count()]);
        $one = Entry::query()->where([
            'identity' => "{$muscles[3]}:left", 'visit_id' => $client->visits()->where('number', 20)->value('id'),
        ])->firstOrFail();
        self::assertEquals(
            [1, 3, '2024-03-20', $client->id, $user->id],
            [$one->revision, $one->payload['tenderness'], $one->said_on, $one->client_id, $one->user_id],
        );
        self::assertNotNull($one->getAttribute('created_at'));
        self::assertSame(
            [[$one->payload, 1, $user->id]],
            $one->changes->map(static fn (EntryChange $change): array => [$change->payload, $change->revision, $change->user_id])->all(),
        );
        self::assertSame(0, $send('', $text)->json('count'));

        // one that stands is written over and keeps what it was; what is new beside it goes in
        $more = "date,phase,kind,muscle,side,tenderness\r\n2024-03-20,before,palpation,{$muscles[3]},left,1\r\n2024-03-20,after,palpation,{$muscles[3]},left,0\r\n";
        $send('/apply', $more, ['digest' => $send('', $more)->json('digest')])->assertJsonPath('written', 2);
        self::assertSame(
            [[3, 1], [1, 2]],
            $one
                ->changes()
                ->orderBy('id')
                ->get()
                ->map(static fn (EntryChange $change): array => [$change->payload['tenderness'], $change->revision])
                ->all(),
        );
        self::assertSame([2001, 2002], [Entry::query()->count(), EntryChange::query()->count()]);
    }

    public function test_two_rows_about_one_who_is_new_are_one_client(): void
    {
        $this->actingAs($this->therapist());
        $table = "name,born_on,occupation,phone\r\nIda Vane,1980-02-03,carver,\r\nIda Vane,1980-02-03,,+44 20 77\r\nIda Vane,1981-02-03,,\r\n";
        $digest = $this->bring('', $table)->assertOk()->json('digest');
        $this->bring('/apply', $table, ['digest' => $digest])->assertOk()->assertJsonPath('written', 3);

        self::assertSame(
            [['carver', '+44 20 77'], [null, null]],
            Client::query()->orderBy('born_on')->get()->map(static fn (Client $one): array => [$one->occupation, $one->phone])->all(),
        );
    }

    public function test_of_a_table_full_of_faults_as_many_are_told_as_anybody_reads(): void
    {
        $this->actingAs($this->therapist());

        $this->bring('', "name,born_on\r\n".str_repeat("X,yesterday\r\n", 1000))
            ->assertStatus(422)
            ->assertJsonCount(200, 'faults')
            ->assertJsonPath('more', 1800);
    }

    public function test_what_is_taken_for_plain_is_never_what_the_rules_refuse(): void
    {
        $spoil = new Spoil(7);
        $plain = 0;
        foreach (MadeUpRecords::clients(60, 11) as $client) {
            $simple = [
                ...$client, 'name' => 'Ida Vane', 'guardian_name' => null, 'occupation' => 'carver', 'address' => null,
                'contacts' => [[
                    'kind' => 'doctor', 'name' => 'Dr Finch', 'phone' => '+44 20 1', 'email' => 'a.b@post.example', 'note' => null,
                ]],
            ];
            foreach ([$client, $simple, ...array_map(static fn (): mixed => $spoil->value($simple), range(1, 40))] as $one) {
                if (is_array($one) && ClientDetails::isPlain($one)) {
                    $plain++;
                    self::assertSame(
                        [],
                        \Illuminate\Support\Facades\Validator::make(
                            array_filter($one, static fn (mixed $value): bool => $value !== null),
                            ['code' => ['nullable', 'string', 'max:12', 'regex:/^[A-Z]{1,3}-[0-9]{2,}$/'], ...ClientDetails::rules()],
                        )->errors()->all(),
                        (string) json_encode($one),
                    );
                }
            }
        }
        self::assertGreaterThan(300, $plain);
    }

    private function table(int $rows): string
    {
        $first = ['Ada', 'Bo', 'Cleo', 'Dag', 'Éda'];
        $text = "name,pronoun,born_on,occupation,phone,contact1_kind,contact1_name\r\n";
        for ($n = 0; $n < $rows; $n++) {
            $text .= "{$first[$n % 5]} Person$n,she,".(1940 + $n % 70).'-0'.(1 + $n % 9).'-1'.($n % 9).',carver,+44 20 '.(1000 + $n)
                .",emergency,Somebody $n\r\n";
        }

        return $text;
    }

    /**
     * @param  array<string, string>  $more
     * @return \Illuminate\Testing\TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    private function bring(string $step, string $text, array $more = []): \Illuminate\Testing\TestResponse
    {
        return $this->post(
            "/clinic/bring/clients.csv$step", ['file' => UploadedFile::fake()->createWithContent('c.csv', $text), ...$more],
            ['Accept' => 'application/json'],
        );
    }
}
