<?php

declare(strict_types=1);

use App\Http\Controllers\ActivityController;
use App\Http\Controllers\ApiTokenController;
use App\Http\Controllers\AuditRunController;
use App\Http\Controllers\CallController;
use App\Http\Controllers\CallRecordsController;
use App\Http\Controllers\CustomerReportController;
use App\Http\Controllers\DeskController;
use App\Http\Controllers\DrawingController;
use App\Http\Controllers\ElsewhereController;
use App\Http\Controllers\FeedController;
use App\Http\Controllers\FindController;
use App\Http\Controllers\FindingController;
use App\Http\Controllers\HealthController;
use App\Http\Controllers\IdentityController;
use App\Http\Controllers\JoiningController;
use App\Http\Controllers\LeadsController;
use App\Http\Controllers\LiveController;
use App\Http\Controllers\MarginController;
use App\Http\Controllers\NewPeopleController;
use App\Http\Controllers\OutboundController;
use App\Http\Controllers\PasswordController;
use App\Http\Controllers\PeopleController;
use App\Http\Controllers\PlanController;
use App\Http\Controllers\PortController;
use App\Http\Controllers\PromptController;
use App\Http\Controllers\ProofController;
use App\Http\Controllers\PushController;
use App\Http\Controllers\RevisionController;
use App\Http\Controllers\RosterController;
use App\Http\Controllers\RuleController;
use App\Http\Controllers\SecondFactorController;
use App\Http\Controllers\SecretController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SettingsController;
use App\Http\Controllers\SignedInController;
use App\Http\Controllers\SiteController;
use App\Http\Controllers\StockController;
use App\Http\Controllers\TakingOnController;
use App\Http\Controllers\TelephoneController;
use App\Http\Controllers\WhereController;
use App\Http\Middleware\EndsInTime;
use App\Http\Middleware\LimitBody;
use App\Http\Middleware\NeedsEdit;
use App\Http\Middleware\PeopleOnly;
use App\Http\Middleware\ReadableInput;
use Illuminate\Support\Facades\Route;

// As many digits as a row's number has, and no more than PostgreSQL's integers hold.
$number = '[0-9]{1,9}';

Route::get('metrics', [HealthController::class, 'metrics'])->withoutMiddleware('web')->middleware('throttle:api');
Route::get('feeds/{code}.ics', [FeedController::class, 'read'])->withoutMiddleware('web')->middleware('throttle:api')
    ->where('code', '[A-Za-z0-9_-]{32}');
Route::get('up', static fn (): array => ['well' => true])->withoutMiddleware('web');

Route::prefix('api')->middleware([LimitBody::class, ReadableInput::class, 'throttle:api'])->group(
    static function () use ($number): void {
        Route::get('session', [SessionController::class, 'show']);
        Route::post('session', [SessionController::class, 'store']);
        Route::post('joining/look', [JoiningController::class, 'look'])->middleware('throttle:password');
        Route::post('joining', [JoiningController::class, 'join'])->middleware('throttle:password');
        Route::post('where/look', [WhereController::class, 'look'])->middleware('throttle:password');
        Route::post('where', [WhereController::class, 'answer'])->middleware('throttle:password');

        Route::post('password-letters', [PasswordController::class, 'send'])->middleware('throttle:password');
        Route::put('password-letters', [PasswordController::class, 'reset'])->middleware('throttle:password');

        Route::middleware(['auth', EndsInTime::class, NeedsEdit::class])->group(static function () use ($number): void {
            Route::middleware(PeopleOnly::class)->group(static function (): void {
                Route::delete('session', [SessionController::class, 'destroy']);
                Route::put('session/manner', [SessionController::class, 'manner']);
                Route::put('password', [PasswordController::class, 'update'])->middleware('throttle:password');
                Route::get('sessions', [SignedInController::class, 'index']);
                Route::delete('sessions', [SignedInController::class, 'endOthers']);
                Route::delete('sessions/{session}', [SignedInController::class, 'endOne'])->where(
                    'session',
                    '[0-9a-f]{20}',
                );
                Route::post('second-factor', [SecondFactorController::class, 'store'])->middleware('throttle:password');
                Route::put('second-factor', [SecondFactorController::class, 'update'])->middleware('throttle:password');
                Route::delete('second-factor', [SecondFactorController::class, 'destroy'])->middleware(
                    'throttle:password',
                );
                Route::get('api-tokens', [ApiTokenController::class, 'index']);
                Route::post('api-tokens', [ApiTokenController::class, 'store']);
                Route::delete('api-tokens/{token}', [ApiTokenController::class, 'destroy'])->whereUuid('token');
                Route::get('feed', [FeedController::class, 'show']);
                Route::post('feed', [FeedController::class, 'store']);
                Route::delete('feed', [FeedController::class, 'destroy']);
                Route::get('health', [HealthController::class, 'show']);
                Route::get('settings', [SettingsController::class, 'show']);
                Route::put('settings', [SettingsController::class, 'update']);
                Route::post('settings/connections/try', [SettingsController::class, 'tryOut'])->middleware(
                    'throttle:studio',
                );
                Route::post('settings/letter', [SettingsController::class, 'letter'])->middleware('throttle:studio');
                Route::get('people', [PeopleController::class, 'index']);
                Route::delete('people/{technician}', [PeopleController::class, 'close'])->whereUuid('technician');
                Route::get('people/{technician}/leaves', [PeopleController::class, 'leaves'])->whereUuid('technician');
                Route::put('people/{technician}/lead', [PeopleController::class, 'lead'])->whereUuid('technician');
                Route::delete(
                    'people/{technician}/second-factor',
                    [PeopleController::class, 'resetSecondFactor'],
                )->whereUuid('technician');
                Route::post(
                    'people/{technician}/password-letters',
                    [PeopleController::class, 'sendPasswordLetter'],
                )->whereUuid('technician');
                Route::post('broken-glass', [PeopleController::class, 'breakGlass'])->middleware('throttle:studio');
                Route::post('people/grants', [PeopleController::class, 'let']);
                Route::delete('people/grants/{grant}', [PeopleController::class, 'takeAway'])->whereUuid('grant');
                Route::post('people/invitations/{invitation}/send', [PeopleController::class, 'sendAgain'])->whereUuid(
                    'invitation',
                );
                Route::delete(
                    'people/invitations/{invitation}',
                    [PeopleController::class, 'takeInvitationBack'],
                )->whereUuid('invitation');
            });

            Route::get('activity', [ActivityController::class, 'index']);
            Route::get('activity.csv', [ActivityController::class, 'csv']);
            Route::get('customers', [RosterController::class, 'index']);
            Route::get('roster/lines', [RosterController::class, 'lines']);
            Route::get('roster/changes', [RosterController::class, 'changes']);
            Route::get('roster/names', [RosterController::class, 'names']);
            Route::get('find', FindController::class);
            Route::get('templates', [TakingOnController::class, 'templates']);
            Route::get('templates/{template}/sample', [TakingOnController::class, 'sample']);
            Route::get('ports', [PortController::class, 'underWay']);
            Route::get('stock', [StockController::class, 'index']);
            Route::get('stock/offers', [StockController::class, 'offers']);
            Route::get('stock/numbers', [StockController::class, 'all']);
            Route::get('stock/orders', [StockController::class, 'orders']);
            Route::post('stock/orders', [StockController::class, 'order']);
            Route::post('stock/orders/{order}/decision', [StockController::class, 'decide'])->whereUuid('order');
            Route::post('stock/orders/{order}/again', [StockController::class, 'again'])->whereUuid('order');
            Route::post('stock/reservations', [StockController::class, 'reserve']);
            Route::post('stock/returns', [StockController::class, 'giveBack']);
            Route::post('stock/rests/ends', [StockController::class, 'endRests']);
            Route::post('stock/read', [StockController::class, 'read'])->withoutMiddleware(NeedsEdit::class);
            Route::post('stock', [StockController::class, 'add']);
            Route::post('stock/removals', [StockController::class, 'takeOut']);
            Route::get('findings', [FindingController::class, 'index']);
            Route::get('findings/rows', [FindingController::class, 'rows']);
            Route::post('findings/export', [FindingController::class, 'export'])->withoutMiddleware(NeedsEdit::class);
            Route::put('digest', [FindingController::class, 'digest']);
            Route::post('digest', [FindingController::class, 'mail'])->middleware('throttle:password');
            Route::get('audits/latest', [AuditRunController::class, 'show']);
            Route::get('audits/latest/progress', [AuditRunController::class, 'progress']);
            Route::post('audits', [AuditRunController::class, 'store']);
            Route::post('audits/{audit}/stop', [AuditRunController::class, 'stop'])->whereUuid('audit');
            Route::post('audits/{audit}/resume', [AuditRunController::class, 'resume'])->whereUuid('audit');
            Route::get('rules', [RuleController::class, 'index']);
            Route::put('thresholds/{threshold}', [RuleController::class, 'set']);
            Route::post('taking-on/preview', [TakingOnController::class, 'preview'])->withoutMiddleware(
                NeedsEdit::class,
            );
            Route::get('taking-on/answers', [TakingOnController::class, 'kept']);
            Route::put('taking-on/answers/{id}', [TakingOnController::class, 'keep']);
            Route::delete('taking-on/answers/{id}', [TakingOnController::class, 'letGo']);
            Route::post('taking-on/paste', [TakingOnController::class, 'paste'])->withoutMiddleware(NeedsEdit::class);
            Route::post('taking-on', [TakingOnController::class, 'store']);
            Route::post('taking-on/book', [TakingOnController::class, 'import']);

            Route::prefix('customers/{customer}')->where(['customer' => '[a-z0-9][a-z0-9.-]*'])->group(
                static function () use ($number): void {
                    Route::get('desk', [DeskController::class, 'show']);
                    Route::get('intake', [DeskController::class, 'intake']);
                    Route::post('intake', [DeskController::class, 'answerAgain']);
                    Route::get('book', [DeskController::class, 'book']);
                    Route::post('draft/edits', [DeskController::class, 'edit']);
                    Route::post('draft/objects', [DeskController::class, 'make']);
                    Route::get('draft/impact', [DeskController::class, 'impact']);
                    Route::post('meant', [DeskController::class, 'meant'])->withoutMiddleware(NeedsEdit::class);
                    Route::post('people/read', [NewPeopleController::class, 'read'])->withoutMiddleware(
                        NeedsEdit::class,
                    );
                    Route::post('people', [NewPeopleController::class, 'store']);
                    Route::delete('draft', [DeskController::class, 'drop']);
                    Route::post('draft/restore', [DeskController::class, 'restore']);
                    Route::post('draft/leave-out', [DeskController::class, 'leaveOut']);
                    Route::post('draft/enter', [DeskController::class, 'enter']);
                    Route::get('revisions', [RevisionController::class, 'index']);
                    Route::post('revisions/{no}/undo', [RevisionController::class, 'undo'])->where('no', $number);
                    Route::get('margin', [MarginController::class, 'show']);
                    Route::get('activity', [ActivityController::class, 'extract']);
                    Route::get('beside', [RosterController::class, 'beside']);
                    Route::get('report', [CustomerReportController::class, 'show']);
                    Route::get('thresholds', [RuleController::class, 'ofCustomer']);
                    Route::put('thresholds/{threshold}', [RuleController::class, 'setForCustomer']);
                    Route::post('findings/fixes', [FindingController::class, 'fix']);
                    Route::put(
                        'findings/{fingerprint}',
                        [FindingController::class, 'care'],
                    )->where('fingerprint', '[0-9a-f]{32}');
                    Route::post('findings/waivers', [MarginController::class, 'waive']);
                    Route::delete('findings/waivers/{waiver}', [MarginController::class, 'takeWaiverBack']);
                    Route::get('now', [MarginController::class, 'now']);
                    Route::post('calls', [CallController::class, 'call'])->withoutMiddleware(NeedsEdit::class);
                    Route::post('calls/completions', [CallController::class, 'complete'])->withoutMiddleware(
                        NeedsEdit::class,
                    );
                    Route::get('rulers/{kind}/{key}', [DrawingController::class, 'ruler'])->whereIn(
                        'kind',
                        ['group', 'chain', 'user'],
                    );
                    Route::get('history', [CallRecordsController::class, 'show']);
                    Route::post('history/read', [CallRecordsController::class, 'read'])->withoutMiddleware(
                        NeedsEdit::class,
                    );
                    Route::get('history/calls.csv', [CallRecordsController::class, 'csv']);
                    Route::get('hours/{schedule}', [DrawingController::class, 'year']);
                    Route::post('hours', [DrawingController::class, 'readHours'])->withoutMiddleware(NeedsEdit::class);
                    Route::get('calendars/{calendar}', [DrawingController::class, 'calendar']);
                    Route::post('calendars', [DrawingController::class, 'readHolidays'])->withoutMiddleware(
                        NeedsEdit::class,
                    );
                    Route::get('menus', [DrawingController::class, 'menus']);
                    Route::get('telephones', [TelephoneController::class, 'index']);
                    Route::post('telephones/{device}/secret', [TelephoneController::class, 'secret'])
                        ->where('device', '[a-z0-9][a-z0-9.-]*');
                    Route::get('outbound', [OutboundController::class, 'show']);
                    Route::get('outbound/choices', [OutboundController::class, 'choices']);
                    Route::post('outbound/dial', [OutboundController::class, 'dial'])->withoutMiddleware(
                        NeedsEdit::class,
                    );
                    Route::prefix('prompts/{prompt}/recordings')->where(['prompt' => '[a-z0-9][a-z0-9.-]*'])->group(
                        static function () use ($number): void {
                            Route::get('/', [PromptController::class, 'index']);
                            Route::post('/', [PromptController::class, 'store']);
                            Route::post('speech', [PromptController::class, 'speak'])->middleware('throttle:studio');
                            Route::post('{no}/use', [PromptController::class, 'useAgain'])->where('no', $number);
                            Route::get('{no}/audio', [PromptController::class, 'audio'])->where('no', $number);
                        },
                    );
                    Route::get('proof', [ProofController::class, 'show']);
                    Route::get('proof/{run}/map', [ProofController::class, 'map'])->where('run', $number);
                    Route::post('proof/{run}/call', [ProofController::class, 'call'])->where('run', $number)
                        ->withoutMiddleware(NeedsEdit::class);
                    Route::get('live', [LiveController::class, 'show']);
                    Route::get('live/impact', [LiveController::class, 'impact']);
                    Route::post('live/read', [LiveController::class, 'read'])->withoutMiddleware(NeedsEdit::class);
                    Route::put('switch', [LiveController::class, 'move']);
                    Route::post('live/waivers', [LiveController::class, 'waive']);
                    Route::delete('live/waivers/{waiver}', [LiveController::class, 'takeWaiverBack']);
                    Route::get('secrets', [SecretController::class, 'index']);
                    Route::post('secrets', [SecretController::class, 'store']);
                    Route::post('secrets/reveal', [SecretController::class, 'reveal']);
                    Route::post('signed', [LiveController::class, 'sign']);
                    Route::get('ports', [PortController::class, 'index']);
                    Route::post('ports', [PortController::class, 'store']);
                    Route::post('ports/read', [PortController::class, 'read'])->withoutMiddleware(NeedsEdit::class);
                    Route::prefix('ports/{port}')->whereUuid('port')->group(static function (): void {
                        Route::put('/', [PortController::class, 'update']);
                        Route::post('papers', [PortController::class, 'paper']);
                        Route::get('papers/{paper}', [PortController::class, 'paperOf'])->whereUuid('paper');
                        Route::get('letter', [PortController::class, 'letter']);
                        Route::get('cut-over', [PortController::class, 'cutOver']);
                        Route::post('sending', [PortController::class, 'send']);
                        Route::post('withdrawal', [PortController::class, 'withdraw']);
                        Route::post('loan', [PortController::class, 'lend']);
                        Route::post('answer', [PortController::class, 'answer']);
                    });
                    Route::get('leads', [LeadsController::class, 'show']);
                    Route::get('numbers/{number}/caller', [LeadsController::class, 'caller'])
                        ->where('number', '\+[1-9][0-9]{5,14}');
                    Route::prefix('identity')->group(static function (): void {
                        $number = '\+[1-9][0-9]{5,14}';
                        Route::get('/', [IdentityController::class, 'show']);
                        Route::post('read', [IdentityController::class, 'read'])->withoutMiddleware(NeedsEdit::class);
                        Route::post('elsewhere', [IdentityController::class, 'call']);
                        Route::post('elsewhere/{number}', [IdentityController::class, 'check'])
                            ->where('number', $number);
                        Route::delete('elsewhere/{number}', [IdentityController::class, 'forget'])
                            ->where('number', $number);
                        Route::put('names/{number}', [IdentityController::class, 'name'])->where('number', $number);
                        Route::put('texting/{number}', [IdentityController::class, 'texting'])
                            ->where('number', $number);
                    });
                    Route::get('sites', [SiteController::class, 'index']);
                    Route::get('sites/callbacks', [SiteController::class, 'callbacks']);
                    Route::post('sites/{site}/address-checks', [SiteController::class, 'check']);
                    Route::post('sites/{site}/tests', [SiteController::class, 'test']);
                    Route::post('sites/{site}/line', [SiteController::class, 'line']);
                    Route::get('elsewhere', [ElsewhereController::class, 'index']);
                    Route::post('elsewhere/{user}', [ElsewhereController::class, 'ask']);
                    Route::delete('elsewhere/{user}', [ElsewhereController::class, 'takeBack']);
                    Route::post('sites/{site}/plans', [PlanController::class, 'store']);
                    Route::get('plans/{plan}', [PlanController::class, 'show'])->whereUuid('plan');
                    Route::delete('plans/{plan}', [PlanController::class, 'destroy'])->whereUuid('plan');
                    Route::get('pushes', [PushController::class, 'index']);
                    Route::post('pushes', [PushController::class, 'store']);
                    Route::get('pushes/{push}', [PushController::class, 'show'])->whereUuid('push');
                    Route::post('pushes/{push}/stop', [PushController::class, 'stop'])->whereUuid('push');
                },
            );
        });
        Route::any('{unknown}', static fn () => abort(404))->where('unknown', '.*');
    },
);

// Every other address is a screen; the router in the browser knows which.
Route::view('{screen}', 'app')->where('screen', '(?!api/|build/).*');
