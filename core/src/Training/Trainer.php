<?php

declare(strict_types=1);

namespace Somatrace\Core\Training;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\DirectionUse;
use Somatrace\Core\Anatomy\Hazard;
use Somatrace\Core\Anatomy\Landmark;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\UnknownId;

/** Makes questions out of the atlas and picks those that are worth asking today. */
final class Trainer
{
    private const CHOICES = 4;

    private const DOTS = 5;

    /** New cards a round brings at most, so that a round is practice and not an examination. */
    private const NEW = 6;

    /** @var array<string, list<Card>>|null by region */
    private ?array $cards = null;

    /**
     * @param  list<string>  $regions  in the order of the body
     * @param  array<string, string>  $regionOfZone  as the planner has them
     */
    public function __construct(private readonly Atlas $atlas, private readonly array $regions, private readonly array $regionOfZone)
    {
    }

    /** @return array<string, list<Card>> every card there is, by region */
    public function cards(): array
    {
        if ($this->cards !== null) {
            return $this->cards;
        }
        $cards = array_fill_keys($this->regions, []);
        foreach ($this->atlas->handbook()->landmarks as $landmark) {
            if ($landmark->palpable) {
                $cards[$this->regionOf($landmark->zones)][] = new Card(CardKind::Touch, $landmark->id);
            }
        }
        foreach ($this->atlas->muscles as $muscle) {
            $region = $this->regionOf($muscle->zones);
            if ($muscle->reference()->proof !== null) {
                $cards[$region][] = new Card(CardKind::Proof, $muscle->id);
            }
            if (array_diff($muscle->coreReferral, $muscle->everyZone()) !== []) {
                $cards[$region][] = new Card(CardKind::Sends, $muscle->id);
            }
        }
        foreach ($this->atlas->handbook()->hazards as $hazard) {
            $cards[$this->regionOf($hazard->zones)][] = new Card(CardKind::Hazard, $hazard->id);
        }

        return $this->cards = $cards;
    }

    /**
     * What to ask now: what is due, longest due first, then some that are new, then what comes due next.
     *
     * @param  array<string, Memory>  $memory  by card key
     * @param  string|null  $region  every region without it
     * @return list<Card>
     */
    public function pick(array $memory, \DateTimeImmutable $today, int $size, int $seed, ?string $region = null): array
    {
        $cards = $region === null
            ? array_merge(...array_values($this->cards()))
            : $this->cards()[$region] ?? throw UnknownId::in('region', $region);
        $due = $later = $new = [];
        foreach ($cards as $card) {
            $known = $memory[$card->key()] ?? null;
            match (true) {
                $known === null => $new[] = $card,
                $known->isDue($today) => $due[] = $card,
                default => $later[] = $card,
            };
        }
        $soonest = static fn (Card $a, Card $b): int => [$memory[$a->key()]->due, $a->key()] <=> [$memory[$b->key()]->due, $b->key()];
        usort($due, $soonest);
        usort($later, $soonest);
        $new = $this->shuffled($new, $seed);
        $first = array_slice($due, 0, $size);
        $fresh = array_slice($new, 0, min(self::NEW, $size - count($first)));
        $rest = array_slice([...$later, ...array_slice($new, count($fresh))], 0, $size - count($first) - count($fresh));

        return $this->shuffled([...$first, ...$fresh, ...$rest], $seed + 1);
    }

    /** @throws UnknownId when the atlas has no such card */
    public function question(Card $card, int $seed): Question
    {
        return match ($card->kind) {
            CardKind::Touch => $this->touch($card, $seed),
            CardKind::Proof => $this->proof($card, $seed),
            CardKind::Hazard => $this->hazard($card, $seed),
            CardKind::Sends => $this->sends($card, $seed),
        };
    }

    private function touch(Card $card, int $seed): Question
    {
        $landmark = $this->atlas->handbook()->landmark($card->subject);
        $view = $landmark->views[0] ?? 'front';
        $others = array_filter(
            $this->atlas->handbook()->landmarks,
            static fn (Landmark $other): bool => $other->palpable && $other->id !== $landmark->id && in_array($view, $other->views, true),
        );
        uasort(
            $others,
            fn (Landmark $a, Landmark $b): int => [$this->apart($landmark->zones, $a->zones), $a->id]
                <=> [$this->apart($landmark->zones, $b->zones), $b->id],
        );
        $ids = $this->offered($landmark->id, array_keys($others), self::DOTS, $seed);

        return new Question(
            $card, "Touch the {$this->lower($landmark->name)}: {$landmark->plain}.", $this->numbered($ids), $landmark->id, $landmark->find,
            $ids, $view, [],
        );
    }

    private function proof(Card $card, int $seed): Question
    {
        $muscle = $this->atlas->muscle($card->subject);
        $proof = $muscle->reference()->proof ?? throw UnknownId::in('card', $card->key());
        $asked = array_map(static fn (DirectionUse $use): string => $use->key(), $proof->uses);
        // only muscles that do none of it are wrong answers
        $wrong = array_filter($this->near($muscle), function (Muscle $other) use ($asked): bool {
            return array_intersect(
                $asked, array_map(static fn (DirectionUse $use): string => $use->key(), $this->atlas->does($other)),
            ) === [];
        });

        return $this->muscles(
            $card, $seed, $muscle, "The client is asked to {$proof->do}. Which of these does that prove?", $wrong,
            "{$muscle->name}: ".implode('; ', $muscle->reference()->findSteps()).'.', [],
        );
    }

    private function sends(Card $card, int $seed): Question
    {
        $muscle = $this->atlas->muscle($card->subject);
        $zones = array_values(array_diff($muscle->coreReferral, $muscle->everyZone()));
        $zone = $zones[0] ?? throw UnknownId::in('card', $card->key());
        $wrong = array_filter(
            $this->near($muscle),
            static fn (Muscle $other): bool => ! in_array(
                $zone, [...$other->coreReferral, ...$other->spillOver, ...$other->everyZone()], true,
            ),
        );
        $name = $this->atlas->zone($zone)->name;

        return $this->muscles(
            $card, $seed, $muscle, "Pain is felt here: {$name}. Which of these sends it there?", $wrong,
            "{$muscle->name} is felt at: {$this->places($muscle->coreReferral)}.", [$zone],
        );
    }

    private function hazard(Card $card, int $seed): Question
    {
        $hazard = $this->atlas->handbook()->hazard($card->subject);
        $others = array_filter($this->atlas->handbook()->hazards, static fn (Hazard $other): bool => $other->what !== $hazard->what);
        uasort(
            $others,
            fn (Hazard $a, Hazard $b): int => [$this->apart($hazard->zones, $a->zones), $a->id]
                <=> [$this->apart($hazard->zones, $b->zones), $b->id],
        );
        $ids = $this->offered($hazard->id, array_keys($others), self::CHOICES, $seed);
        $choices = array_map(
            fn (string $id): array => ['id' => $id, 'label' => rtrim($this->atlas->handbook()->hazard($id)->what, '.')], $ids,
        );

        return new Question(
            $card, "What must you not press here? {$hazard->where}", $choices, $hazard->id,
            "The sign that you are on it: {$this->lower($hazard->sign)} The safe line: {$this->lower($hazard->safeLine)}", [], null,
            $hazard->zones,
        );
    }

    /**
     * @param  array<string, Muscle>  $wrong
     * @param  list<string>  $zones
     */
    private function muscles(Card $card, int $seed, Muscle $muscle, string $ask, array $wrong, string $because, array $zones): Question
    {
        $ids = $this->offered($muscle->id, array_keys($wrong), self::CHOICES, $seed);
        $choices = array_map(fn (string $id): array => ['id' => $id, 'label' => $this->atlas->muscle($id)->name], $ids);

        return new Question($card, $ask, $choices, $muscle->id, $because, [], null, $zones);
    }

    /** @return array<string, Muscle> other muscles, the nearest first, so that the choice is a real one */
    private function near(Muscle $muscle): array
    {
        $others = array_filter(
            $this->atlas->muscles, static fn (Muscle $other): bool => $other->id !== $muscle->id && ! $other->isStructure,
        );
        uasort(
            $others,
            fn (Muscle $a, Muscle $b): int => [$this->apart($muscle->zones, $a->zones), $a->id]
                <=> [$this->apart($muscle->zones, $b->zones), $b->id],
        );

        return $others;
    }

    /**
     * @param  list<string>  $here
     * @param  list<string>  $there
     * @return int steps over neighbouring zones
     */
    private function apart(array $here, array $there): int
    {
        $place = fn (array $zones): Place => $this->atlas->placeOn(is_string($zones[0] ?? null) ? $zones[0] : '', Side::Left);

        return $this->atlas->steps($place($here), $place($there));
    }

    /**
     * The right one among some of the others, shuffled; others come from the front of the list, where the likeliest stand.
     *
     * @param  list<int|string>  $others
     * @return non-empty-list<string>
     */
    private function offered(string $right, array $others, int $count, int $seed): array
    {
        $pool = array_map(strval(...), array_slice($others, 0, 2 * $count));
        $ids = $this->shuffled([$right, ...array_slice($this->shuffled($pool, $seed), 0, $count - 1)], $seed + 1);

        return $ids === [] ? [$right] : $ids;
    }

    /**
     * @param  non-empty-list<string>  $ids
     * @return non-empty-list<array{id: string, label: string}>
     */
    private function numbered(array $ids): array
    {
        return array_map(
            static fn (string $id, int $index): array => ['id' => $id, 'label' => 'point '.($index + 1)], $ids, array_keys($ids),
        );
    }

    /** @param  list<string>  $zones */
    private function places(array $zones): string
    {
        return implode(', ', array_map(fn (string $zone): string => $this->atlas->zone($zone)->name, $zones));
    }

    /** @param  list<string>  $zones  the first decides */
    private function regionOf(array $zones): string
    {
        return $this->regionOfZone[$zones[0] ?? ''] ?? throw UnknownId::in('zone', $zones[0] ?? '');
    }

    private function lower(string $text): string
    {
        // a name such as "T3" or "C7" keeps its capital
        return preg_match('/^[A-Z][a-z]/', $text) === 1 ? lcfirst($text) : $text;
    }

    /**
     * @template T
     *
     * @param  list<T>  $list
     * @return list<T>
     */
    private function shuffled(array $list, int $seed): array
    {
        return (new Randomizer(new Mt19937($seed)))->shuffleArray($list);
    }
}
