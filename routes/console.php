<?php

declare(strict_types=1);

use App\Actions\Once;
use App\Actions\SendCheckBacks;
use App\Keeping\Passphrase;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Schedule;

// mail goes out within the minute; whoever wants it sooner runs a worker of their own
Schedule::command('queue:work --stop-when-empty --tries=5 --max-time=50 --quiet')->everyMinute()->withoutOverlapping(5);
// who agreed to it is asked a day and two days after a visit how it was
Schedule::call(static fn (SendCheckBacks $send): int => $send->handle(CarbonImmutable::now()))->everyTenMinutes()->name('ask back by mail');
// at night, when nobody is treated; without a passphrase there is nobody to ask for it
Schedule::command('somatrace:backup')->dailyAt('02:30')->when(Passphrase::isSet(...));
Schedule::call(static fn (Once $once): int => $once->tidy(CarbonImmutable::now()))->dailyAt('03:10')->name('tidy the keys of deeds');
