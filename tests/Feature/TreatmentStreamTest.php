<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Cases\TableEvents;
use App\Cases\TreatmentSummary;
use App\Exchange\TreatmentStream;
use App\Models\Visit;
use PHPUnit\Framework\Attributes\DataProvider;
use Somatrace\Core\Data\FaultyDocument;
use Tests\TestCase;

/** A treatment taken elsewhere as a stream, and played back. */
final class TreatmentStreamTest extends TestCase
{
    public function test_what_is_taken_elsewhere_plays_back_to_the_same_record_in_any_order(): void
    {
        $visit = $this->worked();
        $answer = $this->get("/visits/{$visit->public_id}/treatment.jsonl")->assertOk()
            ->assertHeader('Content-Disposition', 'attachment; filename="somatrace-treatment.jsonl"');
        $text = (string) $answer->getContent();
        $lines = explode("\n", trim($text));
        self::assertCount(1 + count(TableEvents::told($visit->id)), $lines);

        $state = app(TreatmentStream::class)->read($text);
        $done = app(TreatmentSummary::class)->doneByVisit([$visit->id])[$visit->id];
        self::assertSame(['levator_scapulae|left'], array_keys($state->muscles));
        $dose = $state->muscles['levator_scapulae|left'];
        self::assertEqualsWithDelta($done[0]['dose_kpa_s'], $dose->kpaSeconds, 0.1);
        self::assertSame([$done[0]['max_pressure'], $done[0]['seconds_at_pressure']], [$dose->maxPressure, $dose->seconds]);
        self::assertCount(1, $state->takenBack);

        $played = $state->toArray();
        foreach ([array_reverse($lines), [...$lines, ...$lines]] as $other) {
            self::assertEquals($played, app(TreatmentStream::class)->read(implode("\r\n", $other))->toArray());
        }
        $file = tempnam(sys_get_temp_dir(), 'stream');
        file_put_contents($file, $text);
        $this->artisan('somatrace:treatment', ['file' => $file])->assertExitCode(0)
            ->expectsOutputToContain('"muscle":"levator_scapulae"');
        unlink($file);
    }

    #[DataProvider('broken')]
    public function test_a_broken_stream_says_where(string $line, string $fault): void
    {
        try {
            app(TreatmentStream::class)->read($line);
            self::fail('it was read');
        } catch (FaultyDocument $refused) {
            self::assertContains($fault, array_map(static fn ($one): string => $one->line(), $refused->faults));
        }
    }

    /** @return iterable<string, array{string, string}> */
    public static function broken(): iterable
    {
        yield 'no JSON' => ["{\n", 'line 1: is no JSON object'];
        yield 'another format' => ['{"format": "somatrace.case"}', 'line 1: is no somatrace.treatment'];
        yield 'an event of no type' => [
            '{"id": "01KB3J5Y7V0000000000000001", "step": "s1", "payload": {}, "device": "01KB3J5Y7V0000000000000001", "number": 1, "happened_at": "2026-11-25T10:00:00Z"}',
            'line 1: missing type',
        ];
        $known = 'format, version, steps, id, type, step, payload, device, number, happened_at';
        yield 'a key nobody knows' => ['{"mood": "good"}', "line 1, mood: is no key here; known are $known"];
    }

    public function test_another_clinic_gets_none_of_it(): void
    {
        $visit = $this->worked();
        $answer = $this->actingAs($this->therapist())->get("/visits/{$visit->public_id}/treatment.jsonl");
        self::assertContains($answer->status(), [403, 404]);
    }

    private function worked(): Visit
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        $this->post("/visits/{$visit->public_id}/plan")->assertSessionHasNoErrors();
        $held = ['manoeuvre' => 0, 'spots' => [], 'pressure' => 4, 'seconds' => 30, 'tissue_kpa' => 150];
        $slip = $this->happening('sign', ['sign' => 'sharp'], step: 's05');
        $this->tell(
            $visit, $this->happening('step_started', ['muscle' => 'levator_scapulae', 'side' => 'left'], step: 's05'),
            $this->happening('pass_reached', $held, step: 's05'), $slip,
            $this->happening('taken_back', ['events' => [$slip['id']]], step: 's05'),
            $this->happening('step_done', ['seconds' => 40, 'technique' => 'stripping', 'tool' => 'thumb'], step: 's05'),
        )->assertOk();

        return $visit;
    }
}
