<template>
  <BoxSheet :id="undefined" />
</template>
