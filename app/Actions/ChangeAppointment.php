<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\Diary;
use App\Models\Appointment;
use App\Models\User;
use App\Models\Waiting;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Moves an appointment, lengthens it, or says what became of it; where it repeats, those after it too if that is wished. */
final readonly class ChangeAppointment
{
    public function __construct(private Diary $diary)
    {
    }

    /**
     * @param  array{minutes?: int, status?: string, word?: string|null}  $to  what is not named stays
     * @param  CarbonImmutable|null  $starts  in the clinic's zone; null where it stays
     * @param  int  $seen  how often it had been changed when it was looked at
     * @param  bool  $anyway  though it overlaps
     * @return int how many were changed
     *
     * @throws ValidationException when somebody else was first, when it has begun, or when it overlaps; nothing is changed
     */
    public function handle(
        Appointment $one, array $to, ?CarbonImmutable $starts, User $therapist, bool $following, int $seen, bool $anyway,
    ): int {
        return DB::transaction(function () use ($one, $to, $starts, $therapist, $following, $seen, $anyway): int {
            $one->refresh();
            $this->seen($one, $seen, $therapist);
            $moves = $starts !== null || isset($to['minutes']) || $therapist->id !== $one->user_id;
            if ($one->status === 'done' || ($moves && ! $one->isMovable())) {
                throw ValidationException::withMessages(['day' => 'It has begun: its time and length stay as they are.']);
            }
            $meant = $this->meant($one, $following);
            $begins = $starts === null ? [] : $this->starts($meant, $starts);
            if (! $anyway && ($moves || (($to['status'] ?? '') === 'booked' && $one->status === 'cancelled'))) {
                $except = array_values($meant->map(static fn (Appointment $of): int => $of->id)->all());
                $this->diary->refuse(array_merge(...array_values($meant->map(fn (Appointment $of): array => $this->diary->clashes(
                    $therapist, $one->client, $begins[$of->id] ?? $of->starts_at, $to['minutes'] ?? $of->minutes, $except,
                ))->all())));
            }
            foreach ($meant as $of) {
                $of->update([
                    ...$to, 'user_id' => $therapist->id, 'starts_at' => ($begins[$of->id] ?? $of->starts_at)->utc(),
                    'revision' => $of->revision + 1,
                ]);
            }
            if (($to['status'] ?? '') === 'booked') {
                Waiting::settle($one->client_id);
            }

            return $meant->count();
        });
    }

    private function seen(Appointment $one, int $seen, User $therapist): void
    {
        if ($one->revision !== $seen) {
            $now = $therapist->clinic->dateWords($one->starts_at->setTimezone($therapist->clinic->timezone), true);
            throw ValidationException::withMessages([
                'seen' => __('Somebody else has changed this meanwhile: it is :status now, :time. Nothing was changed by you.', ['status' => $one->status, 'time' => $now]),
            ]);
        }
    }

    /** @return Collection<int, Appointment> it, and those of its series after it that stand as it does */
    private function meant(Appointment $one, bool $following): Collection
    {
        return $one->series === null || ! $following
            ? new Collection([$one])
            : Appointment::query()->where('series', $one->series)->where('clinic_id', $one->clinic_id)
                ->where('starts_at', '>=', $one->starts_at)->where('status', $one->status)->orderBy('starts_at')->get()->toBase();
    }

    /**
     * Where each would begin: those that follow go by as many days, to the same time of day, over a change of the clocks too.
     *
     * @param  Collection<int, Appointment>  $meant  the first is the one that was moved
     * @return array<int, CarbonImmutable> by number
     */
    private function starts(Collection $meant, CarbonImmutable $starts): array
    {
        $zone = $starts->getTimezone();
        $by = (int) $meant->firstOrFail()->starts_at->setTimezone($zone)->startOfDay()->diffInDays($starts->startOfDay());

        return $meant->mapWithKeys(static fn (Appointment $one): array => [
            $one->id => $one->starts_at->setTimezone($zone)->addDays($by)->setTimeFromTimeString($starts->format('H:i')),
        ])->all();
    }
}
