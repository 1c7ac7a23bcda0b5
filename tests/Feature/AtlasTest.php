<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Role;
use App\Models\TrainerCard;
use Illuminate\Support\Facades\Artisan;
use PHPUnit\Framework\Attributes\DataProvider;
use Somatrace\Core\Clinic;
use Tests\TestCase;

final class AtlasTest extends TestCase
{
    public function test_the_atlas_is_browsed_by_region_and_asks_for_a_sign_in(): void
    {
        $this->get('/atlas')->assertRedirect('/sign-in');
        $this->get('/atlas/muscle/soleus')->assertRedirect('/sign-in');

        $this->actingAs($this->therapist())->get('/atlas')->assertInertia(fn ($page) => $page->component('Atlas/Index')
            ->where('groups.0.name', 'Head and jaw')
            ->where('groups.1.name', 'Neck')
            ->where('groups.1.entries', static fn ($all): bool => collect($all)->contains('id', 'levator_scapulae'))
            ->has('movements', 65)
            ->has('tests', 47)
            ->has('techniques', 28));
    }

    public function test_a_complaint_is_searched_by_its_address_and_as_it_is_typed(): void
    {
        $this->actingAs($this->therapist());

        $this->get('/atlas?q='.urlencode('pain beside the eye'))->assertInertia(
            fn ($page) => $page
                ->where('asked', 'pain beside the eye')
                ->where('hits.0.id', 'sternocleidomastoid_sternal')
                ->where('hits.0.because', 'pain beside the eye'),
        );
        $this->getJson('/atlas/search?q=levater')->assertOk()->assertJsonPath('0.id', 'levator_scapulae');
        $this->getJson('/atlas/search?q=')->assertOk()->assertExactJson([]);
        $this->getJson('/atlas/search?q='.str_repeat('neck+', 400))->assertOk();
    }

    #[DataProvider('kinds')]
    public function test_every_entry_has_its_page_and_every_link_on_it_leads_somewhere(string $kind): void
    {
        $this->actingAs($this->therapist());
        $atlas = app(Clinic::class)->atlas();
        $ids = array_keys(match ($kind) {
            'muscle' => $atlas->muscles, 'movement' => $atlas->movements, 'test' => $atlas->tests, 'technique' => $atlas->techniques,
            default => $atlas->handbook()->landmarks
        });
        $known = [
            'muscle' => $atlas->muscles, 'movement' => $atlas->movements, 'test' => $atlas->tests, 'technique' => $atlas->techniques,
            'landmark' => $atlas->handbook()->landmarks,
        ];
        foreach ($ids as $id) {
            $entry = $this->getJson("/atlas/$kind/$id")->assertOk()->json();
            self::assertSame([$kind, $id], [$entry['kind'], $entry['id']]);
            array_walk_recursive(
                $entry,
                static fn (mixed $value, int|string $key) => self::assertNotSame(
                    '', in_array($key, ['name', 'do', 'safe_line'], true) ? $value : 'said', "$kind $id has an empty $key",
                ),
            );
            foreach ($this->links($entry) as [$linked, $to]) {
                self::assertArrayHasKey($to, $known[$linked], "$kind $id leads to $linked $to");
            }
        }
    }

    /** @return iterable<string, array{string}> */
    public static function kinds(): iterable
    {
        foreach (['muscle', 'movement', 'test', 'technique', 'landmark'] as $kind) {
            yield $kind => [$kind];
        }
    }

    public function test_an_entry_is_a_page_by_itself_and_data_beside_the_work(): void
    {
        $this->actingAs($this->therapist());

        $this->get('/atlas/muscle/levator_scapulae')
            ->assertInertia(fn ($page) => $page->component('Atlas/Entry')->where('entry.name', 'Levator scapulae')

                ->where('entry.find.0.landmark.id', 'scapula_superior_angle')
                ->where('entry.does.0.prime', true)
                ->where('entry.lengthened_by.0.side', 'to the other side')
                ->has('entry.hazards', 3));
        $this->getJson('/atlas/movement/cervical.rotation')->assertOk()->assertJsonPath('norm', '75°')->assertJsonPath('paired', true);
        $this->getJson('/atlas/movement/elbow.flexion')->assertOk()->assertJsonPath('done_by.0.side', '');
        $this->get('/atlas/muscle/no_such_muscle')->assertNotFound();
        $this->get('/atlas/planet/mars')->assertNotFound();
    }

    public function test_reception_may_read_the_atlas_for_it_is_nobodys_record(): void
    {
        $this->actingAs($this->therapist(role: Role::Reception))->get('/atlas/muscle/soleus')->assertOk();
    }

    public function test_an_answer_in_the_trainer_is_judged_and_remembered_for_that_user_alone(): void
    {
        $this->travelTo('2026-03-02T10:00:00Z');
        $user = $this->therapist();
        $this->actingAs($user)
            ->postJson('/atlas/trainer', ['card' => 'touch:acromion', 'chosen' => 'acromion'])
            ->assertOk()
            ->assertJsonPath('right', true);
        $this->postJson('/atlas/trainer', ['card' => 'proof:soleus', 'chosen' => 'gastrocnemius'])
            ->assertOk()
            ->assertJsonPath('right', false);

        $known = TrainerCard::query()->where('card', 'touch:acromion')->firstOrFail();
        self::assertSame([1, 1, 0, '2026-03-03'], [$known->streak, $known->asked, $known->missed, $known->due_on->format('Y-m-d')]);
        $missed = TrainerCard::query()->where('card', 'proof:soleus')->firstOrFail();
        self::assertSame([0, 1, 1, '2026-03-02'], [$missed->streak, $missed->asked, $missed->missed, $missed->due_on->format('Y-m-d')]);

        $progress = fn (string $region): array => collect(
            $this->get('/atlas/trainer')->inertiaProps()['progress'],
        )->firstWhere('region', $region);
        self::assertSame([1, 1], [$progress('leg')['begun'], $progress('leg')['due']]);
        $this->actingAs($this->therapist());
        self::assertSame(0, $progress('leg')['begun']);
    }

    public function test_a_missed_card_comes_first_the_next_time(): void
    {
        $this->actingAs($this->therapist())
            ->postJson('/atlas/trainer', ['card' => 'hazard:knee_hollow', 'chosen' => 'kneecap'])
            ->assertOk();

        $questions = $this->get('/atlas/trainer?region=knee')->inertiaProps()['questions'];
        self::assertCount(12, $questions);
        self::assertContains('hazard:knee_hollow', array_column($questions, 'card'));
        $this->get('/atlas/trainer?region=nowhere')->assertInertia(fn ($page) => $page->where('region', null)->has('questions', 12));
    }

    public function test_an_answer_to_no_card_is_refused_and_nothing_is_kept(): void
    {
        $this->actingAs($this->therapist());

        $this->postJson('/atlas/trainer', ['card' => 'touch:moon', 'chosen' => 'acromion'])
            ->assertUnprocessable()
            ->assertJsonPath('errors.card.0', 'The trainer has no such card.');
        $this->postJson('/atlas/trainer', ['card' => 'touch:acromion'])->assertUnprocessable()->assertJsonValidationErrorFor('chosen');
        self::assertSame(0, TrainerCard::query()->count());
    }

    public function test_the_command_prints_counts_and_no_gap_and_refuses_a_broken_folder(): void
    {
        self::assertSame(0, Artisan::call('somatrace:atlas', ['verb' => 'check']));
        $said = Artisan::output();
        self::assertStringContainsString('134 muscles', $said);
        self::assertStringContainsString("\n0 gaps", $said);
        self::assertSame(2, Artisan::call('somatrace:atlas', ['verb' => 'check', '--data' => sys_get_temp_dir().'/no-such-atlas']));
        self::assertStringContainsString('muscles.json #: is missing', Artisan::output());
        self::assertSame(2, Artisan::call('somatrace:atlas', ['verb' => 'dance']));
        self::assertStringContainsString('allowed are check, export', Artisan::output());
    }

    public function test_every_landmark_of_the_atlas_lies_on_the_views_of_the_figure_it_says(): void
    {
        $figure = json_decode((string) file_get_contents(base_path('resources/js/chart/art/index.generated.json')), true);
        foreach (app(Clinic::class)->atlas()->handbook()->landmarks as $landmark) {
            self::assertSame($landmark->views, array_keys($figure['landmarks'][$landmark->id] ?? []), $landmark->id);
        }
    }

    /**
     * @param  array<mixed>  $value
     * @return list<array{string, string}>
     */
    private function links(array $value): array
    {
        $links = isset($value['kind'], $value['id']) && isset($value['name']) ? [[$value['kind'], $value['id']]] : [];
        foreach ($value as $inner) {
            if (is_array($inner) && ! isset($inner['howOften'])) {
                array_push($links, ...$this->links($inner));
            }
        }

        return $links;
    }
}
