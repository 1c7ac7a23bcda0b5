<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Entry;
use App\Models\Role;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** A check that is only supposed moves the ranking on the page and nothing in the record. */
final class WhatIfTest extends TestCase
{
    public function test_both_answers_are_told_with_the_place_now_and_nothing_is_recorded(): void
    {
        $visit = $this->visit($this->therapist());
        $this->recordNeck($visit);
        $before = Entry::query()->count();
        $told = $this->postJson("/visits/{$visit->public_id}/what-if", ['kind' => 'palpate', 'id' => 'splenius_cervicis', 'side' => 'left'])
            ->assertOk();

        self::assertCount(5, $told->json('answers.first'));
        self::assertSame([], $told->json('clean.plan'), 'what is clean leaves a plan that did not have it');
        $place = static fn (string $column): int|false => array_search(
            'splenius_cervicis:left', array_column($told->json("$column.first"), 'key'), true,
        );
        self::assertIsInt($place('answers'));
        self::assertLessThan($told->json("answers.first.{$place('answers')}.was"), $place('answers') + 1, 'an answer moves it up');
        self::assertTrue($place('clean') === false || $place('clean') > $place('answers'));
        self::assertSame($before, Entry::query()->count());
    }

    #[DataProvider('wrong')]
    public function test_what_is_no_check_is_refused(string $query): void
    {
        $visit = $this->visit($this->therapist());

        $this->postJson("/visits/{$visit->public_id}/what-if?$query")->assertUnprocessable();
    }

    /** @return iterable<string, array{string}> */
    public static function wrong(): iterable
    {
        yield 'no kind' => ['id=splenius_cervicis&side=left'];
        yield 'a kind nobody does' => ['kind=listen&id=splenius_cervicis&side=left'];
        yield 'a muscle nobody has' => ['kind=palpate&id=wing_flexor&side=left'];
        yield 'a test nobody does' => ['kind=test&id=cervical.rotation&side=left'];
        yield 'a movement felt by hand' => ['kind=palpate&id=cervical.rotation&side=left'];
        yield 'a muscle in the midline' => ['kind=palpate&id=splenius_cervicis&side=midline'];
    }

    public function test_nobody_else_may_ask(): void
    {
        $visit = $this->visit($this->therapist());
        $this->actingAs($this->therapist(role: Role::Reception, clinic: $visit->user->clinic))
            ->postJson("/visits/{$visit->public_id}/what-if", ['kind' => 'palpate', 'id' => 'masseter', 'side' => 'left'])
            ->assertForbidden();
    }
}
