<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Entry;
use App\Models\Judgement;
use App\Models\Role;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Plans that are only supposed: the same judgement as one that is set, and nothing of it in the record. */
final class PlanTriesTest extends TestCase
{
    public function test_each_supposed_plan_is_what_it_would_be_if_it_were_set(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $this->denyEverything($visit);
        $as = fn (): array => $this->getJson("/visits/{$visit->public_id}/entries?step=plan")->json('plan');
        $now = $as();
        [$entries, $judgements] = [Entry::query()->count(), Judgement::query()->count()];
        $muscle = ['muscle' => $now['targets'][0]['muscle'], 'side' => $now['targets'][0]['side']];
        $told = $this->postJson("/visits/{$visit->public_id}/plan/tries", ['tries' => [
            (object) [], ['minutes' => 30], ['targets' => [[...$muscle, 'size' => 'short']]], ['dropped' => [$muscle]],
            ['school' => ['order' => 'site_first']],
        ]])->assertOk()->json('plans');

        self::assertSame([$entries, $judgements], [Entry::query()->count(), Judgement::query()->count()]);
        self::assertEquals($now, $told[0], 'nothing supposed, nothing changed');
        self::assertLessThanOrEqual(30, $told[1]['minutes']);
        self::assertSame('short', $told[2]['targets'][0]['size']);
        self::assertNotContains($muscle['muscle'], array_column($told[3]['targets'], 'muscle'));
        $this->put("/visits/{$visit->public_id}", ['minutes' => 30])->assertSessionHasNoErrors();
        self::assertEquals($as(), $told[1]);
    }

    /** @param  array<string, mixed>  $tries */
    #[DataProvider('wrong')]
    public function test_what_makes_no_sense_is_refused(array $tries, string $field): void
    {
        $visit = $this->visit($this->therapist());

        $this->postJson("/visits/{$visit->public_id}/plan/tries", $tries)->assertUnprocessable()->assertJsonValidationErrors($field);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        $muscle = ['muscle' => 'masseter', 'side' => 'left'];
        yield 'none' => [[], 'tries'];
        yield 'more than anybody compares' => [['tries' => array_fill(0, 7, ['minutes' => 30])], 'tries'];
        yield 'a minute' => [['tries' => [['minutes' => 1]]], 'tries.0.minutes'];
        yield 'a school nobody has' => [['tries' => [['school' => ['order' => 'alphabetical']]]], 'tries.0.school'];
        yield 'a question nobody asks' => [['tries' => [['school' => ['weather' => 'source_first']]]], 'tries.0.school'];
        yield 'a muscle nobody has' => [['tries' => [['targets' => [['muscle' => 'wing_flexor', 'side' => 'left']]]]], 'tries.0.targets'];
        yield 'a size nobody knows' => [['tries' => [['targets' => [[...$muscle, 'size' => 'endless']]]]], 'tries.0.targets'];
        yield 'something else of the visit' => [['tries' => [['consent' => []]]], 'tries.0'];
    }

    public function test_nobody_else_may_ask(): void
    {
        $visit = $this->visit($this->therapist());
        $this->actingAs($this->therapist(role: Role::Reception, clinic: $visit->user->clinic))
            ->postJson("/visits/{$visit->public_id}/plan/tries", ['tries' => [['minutes' => 30]]])
            ->assertForbidden();
    }
}
