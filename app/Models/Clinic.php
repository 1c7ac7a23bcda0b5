<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $name
 * @property string $timezone
 * @property list<string> $scope_off techniques that are not done here
 * @property array<string, string> $scope_reasons why not, by technique
 * @property bool $demo made up, sign-ins and all: it says so on every page
 * @property array<string, mixed> $settings what was chosen; the rest is Settings::defaults()
 */
final class Clinic extends Model
{
    protected $fillable = ['name', 'timezone', 'scope_off', 'scope_reasons', 'settings', 'demo'];

    protected $casts = ['scope_off' => 'array', 'scope_reasons' => 'array', 'settings' => 'array', 'demo' => 'bool'];

    protected $attributes = ['settings' => '{}', 'demo' => false];

    public function setting(string $name): mixed
    {
        return $this->settings[$name] ?? Settings::defaults()[$name];
    }

    /** How days are written here, as PHP formats dates. */
    public function dateForm(): string
    {
        return match ($this->setting('date_form')) {
            'day_month' => 'd/m/Y', 'month_day' => 'm/d/Y', 'iso' => 'Y-m-d', default => 'j F Y',
        };
    }

    /** A day as it is written here, months in the language of the interface; with the time in the clinic's zone where it is asked for. */
    public function dateWords(CarbonImmutable $moment, bool $clock = false): string
    {
        $form = $this->dateForm().($clock ? ', H:i' : '');
        $told = $clock ? $moment->setTimezone($this->timezone) : $moment;

        return $told->translatedFormat($form);
    }

    /**
     * @param  array<mixed>|null  $own  hours of one of its people, by weekday
     * @return array{string, string}|null opening and closing on the weekday of a moment, in the clinic's zone; null when it is closed
     */
    public function hoursOn(CarbonImmutable $moment, ?array $own = null): ?array
    {
        $hours = $own ?? $this->setting('hours');
        $day = is_array($hours) ? $hours[strtolower($moment->setTimezone($this->timezone)->format('D'))] ?? null : null;

        return is_array($day) && is_string($day[0] ?? null) && is_string($day[1] ?? null) ? [$day[0], $day[1]] : null;
    }

    /** The day of a moment in the clinic's zone, as Y-m-d. */
    public function day(CarbonImmutable $moment): string
    {
        return $moment->setTimezone($this->timezone)->format('Y-m-d');
    }
}
