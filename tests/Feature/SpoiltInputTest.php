<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\ClinicFiles;
use App\Exchange\ClientFiles;
use App\Models\Client;
use App\Models\User;
use App\Models\Visit;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use Tests\Support\MadeUpRecords;
use Tests\Support\Spoil;
use Tests\TestCase;

/**
 * Thousands of entries, events and files with something wrong in them: refused or kept, and whatever is kept leaves every page and every
 * paper standing. The suite tries a sample; SPOIL=full tries 3,000 entries and events and 500 files of each format.
 */
#[Group('slow')]
#[Group('walks')]
final class SpoiltInputTest extends TestCase
{
    /** How many are tried, in the suite and in full. */
    private const TOUCHES = [300, 3000];

    private const FILES = [40, 500];

    /** After so many the pages are looked at. */
    private const LOOK_AFTER = 150;

    public function test_whatever_comes_every_page_and_paper_stands_and_the_visit_can_be_signed(): void
    {
        $user = $this->therapist();
        $visit = $this->visit($user);
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        $spoil = new Spoil(20261127);
        $kept = 0;
        for ($n = 1; $n <= $this->number(self::TOUCHES); $n++) {
            $answer = $n % 3 === 0
                ? $this->postJson("/visits/{$visit->public_id}/events", ['events' => [$spoil->value($this->event($spoil))]])
                : $this->putJson(
                    "/visits/{$visit->public_id}/entries?step=".$spoil->one(['ask', 'feel', 'plan', 'after']), $this->entry($spoil),
                );
            self::assertContains(
                $answer->getStatusCode(), [200, 400, 409, 422], "touch $n: ".mb_substr((string) $answer->getContent(), 0, 300),
            );
            $kept += $answer->getStatusCode() === 200 ? 1 : 0;
            if ($n % self::LOOK_AFTER === 0) {
                $this->look($visit, $n);
            }
        }
        // a spoilt thing can still be a thing: else nothing would have been tried
        self::assertGreaterThan($this->number(self::TOUCHES) / 20, $kept);
        self::assertSame(
            0, DB::table('entries')->whereNotNull('fault')->count() + DB::table('treatment_events')->whereNotNull('fault')->count(),
            'nothing was kept that cannot be read',
        );
        $this->postJson("/visits/{$visit->public_id}/sign", ['happened' => 'All the same.', 'key' => (string) Str::ulid()])->assertOk();
        $this->get("/visits/{$visit->public_id}/note")->assertOk();
        $this->get("/visits/{$visit->public_id}/note.pdf")->assertOk();
    }

    #[DataProvider('formats')]
    public function test_a_spoilt_file_is_refused_or_shown_and_is_never_a_fault_of_ours(string $format): void
    {
        $user = $this->therapist();
        $client = $this->recorded($user);
        $file = isset(ClinicFiles::FORMATS[$format]) ? "/clinic/files/$format" : "/clients/{$client->public_id}/files/$format";
        $answer = $this->actingAs($user)->get($file)->assertOk();
        $good = (string) (
            $answer->baseResponse instanceof \Symfony\Component\HttpFoundation\StreamedResponse
                ? $answer->streamedContent()
                : $answer->getContent()
        );
        $bring = str_replace('/files/', '/bring/', $file);
        $spoil = new Spoil(crc32($format));
        $shown = [];
        for ($n = 1; $n <= $this->number(self::FILES); $n++) {
            $text = $spoil->text($good);
            $answer = $this->post(
                $bring, ['file' => UploadedFile::fake()->createWithContent('spoilt', $text)], ['Accept' => 'application/json'],
            );
            self::assertContains($answer->getStatusCode(), [200, 422], "file $n: ".mb_substr((string) $answer->getContent(), 0, 300));
            if ($answer->getStatusCode() === 200) {
                $shown[] = [$text, (string) $answer->json('digest')];
            }
        }
        // what was shown can be taken in, and then everything stands
        foreach (array_slice($shown, -3) as [$text, $digest]) {
            $answer = $this->post(
                "$bring/apply", ['file' => UploadedFile::fake()->createWithContent('spoilt', $text), 'digest' => $digest],
                ['Accept' => 'application/json'],
            );
            self::assertContains($answer->getStatusCode(), [200, 409, 422], mb_substr((string) $answer->getContent(), 0, 300));
        }
        $this->look($client->visits()->latest('number')->firstOrFail(), 0);
    }

    /** @return iterable<string, array{string}> */
    public static function formats(): iterable
    {
        foreach ([...array_keys(ClientFiles::FORMATS), ...array_keys(ClinicFiles::FORMATS)] as $format) {
            yield $format => [$format];
        }
    }

    private function look(Visit $visit, int $n): void
    {
        $client = $visit->client->public_id;
        foreach (['ask', 'screen', 'move', 'feel', 'think', 'agree', 'plan', 'work', 'recheck', 'after'] as $step) {
            $this->get("/visits/{$visit->public_id}/$step")->assertOk();
        }
        foreach (
            [
                "/visits/{$visit->public_id}/letter", "/visits/{$visit->public_id}/letter.pdf", "/visits/{$visit->public_id}/summary",
                "/visits/{$visit->public_id}/case.json", "/clients/$client", "/clients/$client/compare", "/clients/$client/files/fhir.json",
                "/clients/$client/files/findings.csv", "/clients/$client/files/measures.csv", '/',
            ] as $address
        ) {
            $answer = $this->get($address);
            self::assertSame(200, $answer->getStatusCode(), "$address after $n touches");
        }
    }

    /** @return array<string, mixed> */
    private function event(Spoil $spoil): array
    {
        return $this->happening(...$spoil->one([
            ['step_started', ['muscle' => 'levator_scapulae', 'side' => 'left']],
            ['pass_reached', ['pass' => 1, 'pressure' => 4, 'seconds' => 60, 'tissue_kpa' => 100]], ['sign', ['sign' => 'softened']],
            ['eased_off', ['to' => 3]],
            ['step_done', ['seconds' => 120, 'technique' => 'petrissage', 'tool' => 'thumb']], ['stopped', ['seconds' => 10]],
            ['consent_withdrawn', ['area' => 'mouth']], ['consent_given', ['area' => 'mouth', 'lifts' => [], 'seen' => 1]],
        ]));
    }

    /** @return array<string, mixed> as a window sends it, with something wrong in it */
    private function entry(Spoil $spoil): array
    {
        [$kind, $identity, $payload] = $spoil->one([
            [
                'complaint', null,
                [
                    'zone' => 'neck_back', 'side' => 'left', 'now' => 6, 'worst_week' => 8, 'qualities' => ['ache'],
                    'since' => '2026-10-01', 'spreads_to' => [['zone' => 'temple', 'side' => 'left']],
                ],
            ],
            ['function', null, ['task' => 'turning', 'score' => 4]],
            [
                'range', null,
                ['movement' => 'cervical.rotation', 'side' => 'left', 'active' => 70, 'passive' => 75, 'pain' => 2, 'repeats' => [70, 71]],
            ],
            ['resisted', null, ['movement' => 'shoulder.abduction', 'side' => 'right', 'strength' => 4, 'pain' => 2]],
            [
                'palpation', null,
                [
                    'muscle' => 'masseter', 'side' => 'left', 'tenderness' => 3, 'tone' => 'high', 'texture' => ['taut_band'],
                    'familiar' => 'yes', 'ppt_kpa' => 300,
                ],
            ],
            [
                'condition', null,
                [
                    'condition' => 'osteoporosis', 'answer' => 'yes', 'severity' => 'mild', 'since' => '2020-01-01',
                    'zones' => [['zone' => 'low_back', 'side' => 'left']],
                ],
            ],
            ['medicine', null, ['medicine' => 'anticoagulant', 'answer' => 'yes']],
            ['consent', null, ['area' => 'mouth', 'given' => true, 'said' => 'May I?']],
            ['demand', null, ['demand' => 'arms_overhead', 'hours' => 3]],
            ['target', null, ['muscle' => 'masseter', 'side' => 'left', 'minutes' => 5]],
            ['dropped', null, ['muscle' => 'masseter', 'side' => 'right']],
            ['aftermath', null, ['hours' => 24, 'soreness' => 2, 'soreness_hours' => 12, 'worse' => false]],
            [
                'override', null,
                ['verdict' => 'refer', 'by_licensed' => true, 'reason' => 'Seen by her doctor.', 'on' => now()->format('Y-m-d')],
            ],
            ['red_flag', 'numb_face', 'no'], ['school', 'pressure', 'firm_seven'], ['positions', '', ['supine']],
            ['text', 'letter', 'Dear colleague'], ['leg_signs', '', 'no'], ['clot_item', 'calf_3cm_larger', 'no'],
            ['posture', null, ['sign' => 'head_forward', 'side' => 'midline', 'grade' => 1]],
            ['test', null, ['test' => 'cervical_compression', 'side' => 'left', 'result' => 'negative']],
            ['guardian', '', ['given' => true, 'name' => 'Orla']], ['group_asked', 'nerves', true],
        ]);
        $touch = [
            'kind' => $kind, 'phase' => $spoil->one(['before', 'before', 'after']), 'identity' => $identity,
            'payload' => $spoil->value($payload), 'seen' => (int) DB::table('entries')->where('kind', $kind)->max('revision'),
        ];

        return $spoil->one([1, 2, 3, 4]) === 1 ? (array) $spoil->value($touch) : $touch;
    }

    /** Somebody with visits full of all kinds of findings. */
    private function recorded(User $user): Client
    {
        $client = $this->client($user);
        $this->actingAs($user);
        $case = MadeUpRecords::cases(5)[0];
        $text = (string) json_encode($case);
        $digest = $this->post(
            "/clients/{$client->public_id}/bring/case.json", ['file' => UploadedFile::fake()->createWithContent('case', $text)],
            ['Accept' => 'application/json'],
        )
            ->assertOk()
            ->json('digest');
        $this->post(
            "/clients/{$client->public_id}/bring/case.json/apply",
            ['file' => UploadedFile::fake()->createWithContent('case', $text), 'digest' => $digest], ['Accept' => 'application/json'],
        )->assertOk();
        $this->post("/clients/{$client->public_id}/appointments", ['day' => '2027-01-11', 'time' => '10:00', 'minutes' => 60])
            ->assertSessionHasNoErrors();

        return $client;
    }

    /** @param  array{int, int}  $of */
    private function number(array $of): int
    {
        return $of[getenv('SPOIL') === 'full' ? 1 : 0];
    }
}
