<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Training;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\DirectionUse;
use Somatrace\Core\Anatomy\UnknownId;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Training\Card;
use Somatrace\Core\Training\CardKind;
use Somatrace\Core\Training\Memory;
use Somatrace\Core\Training\Trainer;

final class TrainerTest extends TestCase
{
    private Trainer $trainer;

    private \DateTimeImmutable $today;

    protected function setUp(): void
    {
        $this->trainer = Core::clinic()->trainer();
        $this->today = new \DateTimeImmutable('2026-03-02');
    }

    #[Group('slow')]
    public function test_every_card_makes_a_question_with_one_right_answer_among_real_others(): void
    {
        foreach ($this->all() as $card) {
            $question = $this->trainer->question($card, 7);
            $ids = array_column($question->choices, 'id');

            self::assertSame($card->subject, $question->right);
            self::assertCount(1, array_keys($ids, $question->right, true), $card->key());
            self::assertSame($ids, array_unique($ids), $card->key());
            self::assertGreaterThanOrEqual(3, count($ids), $card->key());
            self::assertCount(count($ids), array_unique(array_column($question->choices, 'label')), $card->key());
        }
    }

    public function test_no_wrong_answer_would_be_right_as_well(): void
    {
        $atlas = Core::clinic()->atlas();
        foreach ($this->all() as $card) {
            $question = $this->trainer->question($card, 3);
            foreach (array_diff(array_column($question->choices, 'id'), [$question->right]) as $wrong) {
                if ($card->kind === CardKind::Proof) {
                    $asked = array_map(
                        static fn (DirectionUse $use): string => $use->key(),
                        $atlas->muscle($card->subject)->reference()->proof->uses ?? [],
                    );
                    $does = array_map(static fn (DirectionUse $use): string => $use->key(), $atlas->does($atlas->muscle($wrong)));
                    self::assertSame([], array_intersect($asked, $does), "{$card->key()}: $wrong does it too");
                }
                if ($card->kind === CardKind::Sends) {
                    self::assertNotContains(
                        $question->zones[0] ?? '', [...$atlas->muscle($wrong)->coreReferral, ...$atlas->muscle($wrong)->spillOver],
                        "{$card->key()}: $wrong is felt there too",
                    );
                }
            }
        }
    }

    public function test_points_to_touch_lie_on_one_view_and_can_be_touched(): void
    {
        $landmarks = Core::clinic()->atlas()->handbook()->landmarks;
        foreach ($this->all() as $card) {
            $question = $this->trainer->question($card, 5);
            self::assertSame($card->kind === CardKind::Touch ? array_column($question->choices, 'id') : [], $question->dots);
            foreach ($question->dots as $dot) {
                self::assertContains($question->view, $landmarks[$dot]->views, $card->key());
                self::assertTrue($landmarks[$dot]->palpable, $dot);
            }
        }
    }

    public function test_what_is_due_comes_before_what_is_new_and_what_is_not_yet_due_comes_last(): void
    {
        $cards = $this->trainer->cards()['knee'];
        $memory = [
            $cards[0]->key() => new Memory(1, $this->today->modify('-3 days')),
            $cards[1]->key() => new Memory(0, $this->today),
            $cards[2]->key() => new Memory(3, $this->today->modify('+9 days')),
        ];
        $few = $this->keys($this->trainer->pick($memory, $this->today, 4, 11, 'knee'));

        self::assertContains($cards[0]->key(), $few);
        self::assertContains($cards[1]->key(), $few);
        self::assertNotContains($cards[2]->key(), $few);
        self::assertCount(4, $few);
    }

    public function test_a_round_brings_few_new_cards_while_others_wait_to_be_asked_again(): void
    {
        $cards = $this->trainer->cards()['arm'];
        $memory = [];
        foreach (array_slice($cards, 0, 30) as $index => $card) {
            $memory[$card->key()] = new Memory(2, $this->today->modify('+'.(1 + $index).' days'));
        }
        $picked = $this->keys($this->trainer->pick($memory, $this->today, 12, 2, 'arm'));
        $new = array_filter($picked, static fn (string $key): bool => ! isset($memory[$key]));

        self::assertCount(12, $picked);
        self::assertCount(6, $new);
        self::assertContains($cards[0]->key(), $picked, 'the one due soonest fills the rest');
    }

    public function test_the_same_seed_asks_the_same_and_another_seed_something_else(): void
    {
        $pick = fn (int $seed): array => $this->keys($this->trainer->pick([], $this->today, 12, $seed));

        self::assertSame($pick(4), $pick(4));
        self::assertNotSame($pick(4), $pick(5));
        self::assertEquals(
            $this->trainer->question(Card::of('touch:acromion'), 9), $this->trainer->question(Card::of('touch:acromion'), 9),
        );
    }

    public function test_every_muscle_has_cards_of_its_own(): void
    {
        $about = [];
        foreach (array_merge(...array_values(Core::clinic()->trainer()->cards())) as $card) {
            $about[$card->subject] = ($about[$card->subject] ?? 0) + 1;
        }
        foreach (Core::clinic()->atlas()->muscles as $muscle) {
            self::assertTrue($muscle->isStructure || isset($about[$muscle->id]), $muscle->id);
        }
    }

    public function test_a_region_asks_only_its_own_and_an_unknown_one_is_refused(): void
    {
        $hip = $this->keys($this->trainer->cards()['hip']);
        self::assertSame([], array_diff($this->keys($this->trainer->pick([], $this->today, 12, 1, 'hip')), $hip));

        $this->expectException(UnknownId::class);
        $this->trainer->pick([], $this->today, 12, 1, 'tail');
    }

    public function test_a_key_that_names_no_card_is_refused(): void
    {
        $this->expectExceptionMessage('"guess:acromion" is no card of the atlas');
        Card::of('guess:acromion');
    }

    /** @return list<Card> */
    private function all(): array
    {
        return array_merge(...array_values($this->trainer->cards()));
    }

    /**
     * @param  list<Card>  $cards
     * @return list<string>
     */
    private function keys(array $cards): array
    {
        return array_map(static fn (Card $card): string => $card->key(), $cards);
    }
}
