<template>
  <div class="page empty">
    <h1>{{ $t('common.unknownPage') }}</h1>
    <RouterLink to="/">{{ $t('common.toStart') }}</RouterLink>
  </div>
</template>
