<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Protocol;
use App\Models\Role;
use App\Models\User;
use App\Models\Visit;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use PHPUnit\Framework\Attributes\DataProvider;
use Symfony\Component\HttpFoundation\Response;
use Tests\TestCase;

/** A plan gets a name, and is tried on somebody else: judged anew, and nothing set before it is taken. */
final class ProtocolTest extends TestCase
{
    public function test_what_was_planned_for_one_client_is_tried_on_another_who_bears_less(): void
    {
        $user = $this->therapist();
        $visit = $this->readyVisit($user);
        $this->putJson("/visits/{$visit->public_id}/entries", $this->entry('target', [
            'muscle' => 'levator_scapulae', 'side' => 'left', 'lock' => true, 'technique' => 'compressive_hold', 'words' => 'Slowly.',
        ]))->assertOk();
        $id = $this->keep($visit, 'Neck as we do it')->assertCreated()->json('id');
        $rows = Protocol::query()->sole()->document['targets'];
        self::assertSame('same', $rows[array_search('levator_scapulae', array_column($rows, 'muscle'), true)]['side']);
        self::assertStringNotContainsString('Slowly.', (string) json_encode($rows), 'own words are of this client');
        self::assertStringNotContainsString($visit->client->name, (string) json_encode(Protocol::query()->sole()->document));

        $other = $this->visit($user, $this->client($user, 'Somebody Else'));
        $this->denyEverything($other);
        $this->putJson("/visits/{$other->public_id}/entries", $this->entry('complaint', [
            'zone' => 'neck_back', 'side' => 'right', 'now' => 5,
        ]));
        $this->putJson("/visits/{$other->public_id}/entries", $this->entry('condition', [
            'condition' => 'anticoagulant_or_clotting_disorder', 'answer' => 'yes',
        ]))->assertOk();
        $entries = $other->entries()->count();
        $tried = $this->postJson("/visits/{$other->public_id}/protocols/tries", ['protocol' => $id])->assertOk();

        self::assertSame('right', $tried->json('side'));
        self::assertContains('Levator scapulae, right', array_column($tried->json('rows'), 'name'));
        self::assertCount(count($rows), $tried->json('rows'));
        self::assertNotSame([], $tried->json('unfit'), 'it was kept with what it is not for');
        self::assertSame($entries, $other->entries()->count(), 'nothing is set');
        foreach ($tried->json('rows') as $row) {
            self::assertTrue($row['minutes'] !== null || $row['because'] !== []);
        }
    }

    public function test_kept_again_under_its_name_it_is_the_next_version_and_both_can_be_had(): void
    {
        $user = $this->therapist();
        $visit = $this->readyVisit($user);
        $this->keep($visit, 'Neck');
        $second = $this->keep($visit, 'Neck');
        $this->keep($visit, 'Another');

        self::assertSame(2, $second->json('version'));
        $mine = array_values(array_filter(
            $this->getJson("/visits/{$visit->public_id}/protocols")->json('protocols'), static fn (array $one): bool => $one['own'],
        ));
        self::assertEqualsCanonicalizing(['Neck', 'Another'], array_column($mine, 'name'));
        self::assertSame([2, 1], array_column(array_column($mine, null, 'name')['Neck']['versions'], 'version'));
    }

    public function test_those_that_ship_are_there_and_those_that_fit_come_first(): void
    {
        $user = $this->therapist();
        $visit = $this->readyVisit($user);
        $all = $this->getJson("/visits/{$visit->public_id}/protocols")->json('protocols');

        self::assertCount(6, $all);
        $fits = array_map(static fn (array $one): bool => $one['unfit'] === [], $all);
        self::assertTrue($fits[0]);
        self::assertFalse($fits[5]);
        self::assertSame($fits, [...array_filter($fits), ...array_filter($fits, static fn (bool $one): bool => ! $one)]);
    }

    public function test_only_what_is_shared_is_seen_by_others_and_only_its_maker_changes_it(): void
    {
        $maker = $this->therapist();
        $visit = $this->readyVisit($maker);
        $id = $this->keep($visit, 'Mine')->json('id');
        $colleague = $this->therapist($maker->clinic);
        $this->actingAs($colleague)->get("/protocols/$id")->assertNotFound();

        $this->actingAs($maker)->putJson("/protocols/$id", ['shared' => true])->assertOk();
        $this->actingAs($colleague)->get("/protocols/$id")->assertOk();
        $this->actingAs($colleague)->putJson("/protocols/$id", ['shared' => false])->assertForbidden();
        $this->actingAs($colleague)->deleteJson("/protocols/$id")->assertForbidden();
        $this->actingAs($this->therapist())->get("/protocols/$id")->assertNotFound();
        $this->actingAs($this->therapist($maker->clinic, Role::Reception))->get("/protocols/$id")->assertForbidden();
        $this->actingAs($maker)->deleteJson("/protocols/$id")->assertOk();
        $this->actingAs($maker)->get("/protocols/$id")->assertNotFound();
    }

    public function test_taken_out_as_a_file_and_in_again_it_is_the_same(): void
    {
        $user = $this->therapist();
        $visit = $this->readyVisit($user);
        $id = $this->keep($visit, 'Neck, äöü')->json('id');
        $file = $this->get("/protocols/$id")->assertOk()->assertHeader('Content-Type', 'application/json')->getContent();
        $stranger = $this->therapist();
        $again = UploadedFile::fake()->createWithContent('n.json', (string) $file);
        $brought = $this->actingAs($stranger)->post('/protocols', ['file' => $again])->assertOk()->json('id');

        $of = static fn (string $one): array => Protocol::query()->where('public_id', $one)->sole()->document;
        self::assertEquals($of($id), $of($brought));
        $this->get('/protocols/shipped.stiff_neck')->assertOk();
        $this->get('/protocols/shipped.none')->assertNotFound();
    }

    public function test_a_file_that_is_none_says_what_is_wrong_and_changes_nothing(): void
    {
        $this->actingAs($this->therapist())
            ->post('/protocols', ['file' => UploadedFile::fake()->createWithContent('n.json', '{"format":"somatrace.case"}')])
            ->assertUnprocessable()->assertJsonPath('faults.0.words', 'no protocol: "format" must be "somatrace.protocol"');
        $this->post('/protocols', ['file' => UploadedFile::fake()->create('n.json', 100)])->assertSessionHasErrors('file');
        self::assertSame(0, Protocol::query()->count());
    }

    /** @param  array<string, mixed>  $sent */
    #[DataProvider('wrong')]
    public function test_what_is_no_name_or_no_condition_is_refused(array $sent, string $field): void
    {
        $visit = $this->readyVisit($this->therapist());
        $this->postJson("/visits/{$visit->public_id}/protocols", ['name' => 'Neck', 'shared' => false, 'conditions' => [], ...$sent])
            ->assertUnprocessable()->assertJsonValidationErrors($field);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'no name' => [['name' => ' '], 'name'];
        yield 'an endless name' => [['name' => str_repeat('x', 81)], 'name'];
        yield 'a condition nobody knows' => [['conditions' => ['not_with' => ['bad_mood']]], 'conditions.not_with.0'];
        yield 'a place nobody has' => [['conditions' => ['zones' => ['wing']]], 'conditions.zones.0'];
        yield 'before the first visit' => [['from_visit' => 0], 'from_visit'];
    }

    public function test_of_a_plan_with_nothing_in_it_nothing_is_kept(): void
    {
        $visit = $this->visit($this->therapist());
        $this->denyEverything($visit);
        $this->keep($visit, 'Nothing')->assertUnprocessable();
        self::assertSame(0, Protocol::query()->count());
    }

    private function readyVisit(User $user): Visit
    {
        $visit = $this->visit($user);
        $this->recordNeck($visit);
        $this->denyEverything($visit);

        return $visit;
    }

    /** @return TestResponse<Response> */
    private function keep(Visit $visit, string $name): TestResponse
    {
        return $this->postJson("/visits/{$visit->public_id}/protocols", [
            'name' => $name, 'about' => 'For those who sit.', 'shared' => false,
            'conditions' => ['zones' => ['neck_back', 'neck_side'], 'not_with' => ['anticoagulant_or_clotting_disorder']],
        ]);
    }

    /**
     * @param  array<string, mixed>  $payload
     * @return array<string, mixed>
     */
    private function entry(string $kind, array $payload): array
    {
        return ['kind' => $kind, 'phase' => 'before', 'payload' => $payload, 'seen' => 0];
    }
}
