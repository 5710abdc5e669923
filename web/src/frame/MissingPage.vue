<template>
  <div class="page empty">
    <p>{{ $t('common.unknownPage') }}</p>
    <RouterLink to="/">{{ $t('common.toStart') }}</RouterLink>
  </div>
</template>
