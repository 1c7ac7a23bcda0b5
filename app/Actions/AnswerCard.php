<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\TrainerCard;
use App\Models\User;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Clinic;
use Somatrace\Core\Training\Card;
use Somatrace\Core\Training\Memory;

/** Judges one answer in the trainer and remembers it; a card missed earlier the same day stays due until it is right again. */
final readonly class AnswerCard
{
    public function __construct(private Clinic $clinic)
    {
    }

    public function handle(User $user, Card $card, string $chosen): bool
    {
        $today = new \DateTimeImmutable($user->clinic->day(CarbonImmutable::now()));
        $right = $this->clinic->trainer()->question($card, 0)->right === $chosen;
        DB::transaction(function () use ($user, $card, $right, $today): void {
            $row = TrainerCard::query()->where('user_id', $user->id)->where('card', $card->key())->first();
            $memory = Memory::after($row?->memory(), $right, $today);
            TrainerCard::query()->updateOrCreate(['user_id' => $user->id, 'card' => $card->key()], [
                'streak' => $memory->streak, 'due_on' => $memory->due, 'asked' => ($row->asked ?? 0) + 1,
                'missed' => ($row->missed ?? 0) + ($right ? 0 : 1), 'answered_at' => now(),
            ]);
        });

        return $right;
    }
}
