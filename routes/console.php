<?php

declare(strict_types=1);

use App\Keeping\Passphrase;
use Illuminate\Support\Facades\Schedule;

// at night, when nobody is treated; without a passphrase there is nobody to ask for it
Schedule::command('somatrace:backup')->dailyAt('02:30')->when(Passphrase::isSet(...));
