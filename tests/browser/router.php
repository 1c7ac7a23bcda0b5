<?php

declare(strict_types=1);

use Carbon\Carbon;

/*
 * The router of a server whose clock a test moves on: a course of weeks is a matter of minutes. The file named by CLOCK says by how many
 * seconds; where there is none, it is now.
 */
require __DIR__.'/../../vendor/autoload.php';
$ahead = is_file((string) getenv('CLOCK')) ? (int) file_get_contents((string) getenv('CLOCK')) : 0;
if ($ahead !== 0) {
    Carbon::setTestNow(Carbon::now()->addSeconds($ahead));
    // a session is as old as its file, which knows nothing of that clock
    foreach (glob(getenv('SESSION_FILES').'/*') ?: [] as $session) {
        @touch($session, time() + $ahead);
    }
}

return require __DIR__.'/../../vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php';
