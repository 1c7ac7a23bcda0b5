<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Models\Right;
use App\Models\TrainerCard;
use App\Models\User;
use Carbon\CarbonImmutable;
use Somatrace\Core\Clinic;
use Somatrace\Core\Training\Card;
use Somatrace\Core\Training\Memory;
use Somatrace\Core\Training\Question;

/** A round of the landmark trainer for one user, and how far they are. */
final readonly class TrainerPage
{
    private const ROUND = 12;

    private const REGIONS = [
        'neck' => 'Neck', 'head' => 'Head and jaw', 'chest' => 'Chest', 'back' => 'Back', 'shoulder' => 'Shoulder', 'arm' => 'Arm and hand',
        'belly' => 'Belly', 'hip' => 'Hip', 'thigh' => 'Thigh',
        'knee' => 'Knee', 'leg' => 'Leg and foot',
    ];

    public function __construct(private Clinic $clinic)
    {
    }

    /** @return array<string, mixed> */
    public function of(User $user, ?string $region, int $seed): array
    {
        $memory = $this->memory($user);
        $today = $this->today($user);
        $region = isset(self::REGIONS[$region ?? '']) ? $region : null;

        $places = array_fill_keys(array_keys(self::REGIONS), []);
        foreach ($this->clinic->regionOfZone() as $zone => $of) {
            $places[$of][] = $zone;
        }

        return [
            'region' => $region, 'places' => $places,
            'questions' => array_map(
                fn (Card $card, int $index): array => $this->question($this->clinic->trainer()->question($card, $seed + 10 * $index)),
                $cards = $this->clinic->trainer()->pick($memory, $today, self::ROUND, $seed, $region), array_keys($cards),
            ),
            'progress' => $this->rows($memory, $today), 'leans' => $user->may(Right::WriteClinical),
        ];
    }

    /** @return list<array{region: string, name: string, cards: int, begun: int, known: int, due: int}> */
    public function progress(User $user): array
    {
        return $this->rows($this->memory($user), $this->today($user));
    }

    /**
     * @param  array<string, Memory>  $memory
     * @return list<array{region: string, name: string, cards: int, begun: int, known: int, due: int}>
     */
    private function rows(array $memory, \DateTimeImmutable $today): array
    {
        $rows = [];
        foreach ($this->clinic->trainer()->cards() as $region => $cards) {
            $seen = array_values(array_intersect_key(
                $memory, array_fill_keys(array_map(static fn (Card $card): string => $card->key(), $cards), true),
            ));
            $rows[] = [
                'region' => $region, 'name' => self::REGIONS[$region] ?? $region, 'cards' => count($cards), 'begun' => count($seen),
                'known' => count(array_filter($seen, static fn (Memory $one): bool => $one->isKnown())),
                'due' => count(array_filter($seen, static fn (Memory $one): bool => $one->isDue($today))),
            ];
        }

        return $rows;
    }

    /** @return array<string, mixed> */
    private function question(Question $question): array
    {
        return [
            'card' => $question->card->key(), 'kind' => $question->card->kind->value, 'ask' => $question->ask,
            'choices' => $question->choices, 'right' => $question->right,
            'because' => $question->because, 'dots' => $question->dots, 'view' => $question->view, 'zones' => $question->zones,
        ];
    }

    private function today(User $user): \DateTimeImmutable
    {
        return new \DateTimeImmutable($user->clinic->day(CarbonImmutable::now()));
    }

    /** @return array<string, Memory> */
    private function memory(User $user): array
    {
        $memory = [];
        foreach (TrainerCard::query()->where('user_id', $user->id)->get() as $row) {
            $memory[$row->card] = $row->memory();
        }

        return $memory;
    }
}
